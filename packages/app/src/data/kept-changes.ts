import { digestOf } from '@holvek/core';
import { Refusal, Unreachable } from './api';
import type { DeviceDb } from './device-db';

/** Lists of the register that can be changed without a network. */
export const changeableLists = [
  'sites',
  'valves',
  'gauges',
  'rounds',
  'systems',
  'repairs',
  'photos',
  'notices',
  'seasons',
] as const;
export type ListName = (typeof changeableLists)[number];
type Listed = { readonly id: string };

/** A change that the server has not taken yet: what it becomes, and the version that it was made over. */
export type KeptChange = {
  /** List and document, so that a document waits once. */
  readonly key: string;
  readonly list: ListName;
  readonly value: Listed;
  readonly over: unknown;
  readonly by: string;
  readonly atMs: number;
  /** What the server said no with, and what it has instead; undefined while it has said nothing. */
  readonly refused?: string;
  readonly theirs?: unknown;
};

type Put = (
  value: Listed,
  change: { readonly over?: unknown; readonly by: string },
) => Promise<unknown>;
/** Answers to who asks, or how often, rather than to what. */
const saysNothing: ReadonlySet<number> = new Set([401, 408, 429]);

export type Puts = Readonly<Record<ListName, Put>>;

/**
 *            changed                   taken
 *   none ───────────────▶ kept ─────────────────▶ none
 *                          │  ▲
 *     understood, and no ──┘  └── changed again, or let go
 *
 * Changes to the register wait on the phone until the server has taken them, in the order in which they
 * were made. A document that is changed again while it waits goes once, over what was seen first.
 */
export class KeptChanges {
  private all: readonly KeptChange[] = [];
  private sending: Promise<void> | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly takers = new Set<(change: KeptChange) => void>();

  constructor(
    private readonly db: Promise<DeviceDb>,
    private readonly puts: Puts,
    /** Other tabs of this device, which keep their changes in the same place. */
    private readonly tabs?: Pick<BroadcastChannel, 'postMessage' | 'addEventListener'>,
  ) {
    tabs?.addEventListener('message', () => void this.load());
  }

  /** Told of each change that the server has taken, before it is forgotten here. */
  onTaken = (taker: (change: KeptChange) => void): void => void this.takers.add(taker);

  snapshot = (): readonly KeptChange[] => this.all;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  async load(): Promise<void> {
    const kept = await (await this.db).getAll('changes');
    this.show(kept.sort((a, b) => a.atMs - b.atMs));
  }

  /** Keeps a change on this device; it shows at once and goes to the server when there is one. */
  async keep(change: Omit<KeptChange, 'key' | 'refused' | 'theirs'>): Promise<void> {
    const key = `${change.list}:${change.value.id}`;
    const waiting = this.all.find((each) => each.key === key);
    const { atMs } = waiting ?? change;
    const over = waiting ? (waiting.theirs ?? waiting.over) : change.over;
    const kept: KeptChange = { ...change, key, over, atMs };
    await (await this.db).put('changes', kept);
    this.become([...this.all.filter((each) => each.key !== key), kept]);
  }

  /** What is waiting for a document, if anything. */
  waitingFor = (list: ListName, id: string): KeptChange | undefined =>
    this.all.find(({ key }) => key === `${list}:${id}`);

  /** The user has chosen it over what the server has: it is sent again, over that. */
  async sendOver({ key }: KeptChange): Promise<void> {
    const change = this.all.find((each) => each.key === key);
    if (!change) return;
    const { refused: _, theirs, ...again } = change;
    await this.replace({ ...again, over: theirs });
    await this.flush();
  }

  /** The user has seen why the server would not take it, and lets go of it. */
  async letGo(key: string): Promise<void> {
    await (await this.db).delete('changes', key);
    this.become(this.all.filter((each) => each.key !== key));
  }

  /** Sends what waits, in order; stops where there is no network. */
  flush = (): Promise<void> => {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = undefined;
    });
    return this.sending;
  };

  private async sendAll(): Promise<void> {
    for (const change of this.all.filter(({ refused }) => refused === undefined)) {
      try {
        await this.send(change);
        for (const taker of this.takers) taker(change);
        await this.letGoIfSame(change);
      } catch (error) {
        if (error instanceof Unreachable) return;
        if (!(error instanceof Refusal)) throw error;
        // A server in trouble, or that no longer knows who this is, says nothing about the change.
        if (error.status >= 500 || saysNothing.has(error.status)) return;
        await this.replace({ ...change, refused: error.code, theirs: error.detail });
      }
    }
  }

  /** A server that has it so already has taken it: an answer was lost on its way, or another tab was first. */
  private async send({ list, value, over, by }: KeptChange): Promise<void> {
    try {
      await this.puts[list](value, { over, by });
    } catch (error) {
      const isThere = error instanceof Refusal && error.code === 'document.changed';
      if (!isThere || digestOf(error.detail) !== digestOf(value)) throw error;
    }
  }

  /** Changed again while it was on its way, it waits once more, over what the server has now. */
  private async letGoIfSame(sent: KeptChange): Promise<void> {
    const current = this.all.find(({ key }) => key === sent.key);
    if (current?.value === sent.value) return this.letGo(sent.key);
    if (current) await this.replace({ ...current, over: sent.value });
  }

  private async replace(change: KeptChange): Promise<void> {
    await (await this.db).put('changes', change);
    this.become(this.all.map((each) => (each.key === change.key ? change : each)));
  }

  /** What waits has changed here: the other tabs look again. */
  private become(all: readonly KeptChange[]): void {
    this.show(all);
    this.tabs?.postMessage('changed');
  }

  private show(all: readonly KeptChange[]): void {
    this.all = all;
    for (const listener of this.listeners) listener();
  }
}

/** A list as it will be once everything that waits has been taken. */
export function withKept<T extends Listed>(
  fetched: readonly T[] | undefined,
  list: ListName,
  kept: readonly KeptChange[],
): readonly T[] | undefined {
  const own = kept.filter((change) => change.list === list);
  if (own.length === 0) return fetched;
  const changed = new Map(own.map(({ value }) => [value.id, value as T]));
  const known = (fetched ?? []).map((each) => changed.get(each.id) ?? each);
  const fresh = [...changed.values()].filter(({ id }) => !known.some((each) => each.id === id));
  return [...known, ...fresh];
}

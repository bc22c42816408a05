import { ingestedSchema, type Ingested, type RunEvent } from '@holvek/core';
import { Refusal, Unreachable, type Api } from './api';
import type { DeviceDb, RefusedEntry } from './device-db';

/**
 *            entry kept                    all stored
 *   idle ───────────────▶ sending ─────────────────────▶ idle
 *    ▲                       │ no network, or a server that cannot take it now
 *    └── later, or `online` ─┴──▶ unreachable (entries stay)
 *
 * What the server understands and refuses leaves the queue and is kept with its reason, until the user
 * has seen it and lets it go. A run that cannot be sent holds up no other.
 */
export type OutboxState = {
  readonly queued: number;
  readonly refused: readonly RefusedEntry[];
  readonly isReachable: boolean;
  /** Run id → id of the sheet that its signature has filed. */
  readonly filed: ReadonlyMap<string, string>;
  /** Run id → what keeps its signature from being filed, as the server last said. */
  readonly waiting: ReadonlyMap<string, string>;
};

/** Not now, or not by this hand: it says nothing about the entries. */
const NOT_NOW: ReadonlySet<number> = new Set([401, 403, 408, 429]);
const isNotNow = ({ status }: Refusal): boolean => status >= 500 || NOT_NOW.has(status);
/** The batch could not be read or was too large: which entry it was shows when they are sent one by one. */
const isAboutTheBatch = ({ status }: Refusal): boolean => status === 400 || status === 413;

const BATCH = 200;
const NOTHING: OutboxState = {
  queued: 0,
  refused: [],
  isReachable: true,
  filed: new Map(),
  waiting: new Map(),
};

export class Outbox {
  private state = NOTHING;
  private sending: Promise<void> | undefined;
  private isAskedAgain = false;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly db: Promise<DeviceDb>,
    private readonly server: Pick<Api, 'postEvents'>,
    /** What has to be there before any entry can be taken: valves and gauges that are still on the phone. */
    private readonly first: () => Promise<void> = () => Promise.resolve(),
  ) {}

  snapshot = (): OutboxState => this.state;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** How many entries of a run the server has not taken. */
  async waitingOf(runId: string): Promise<number> {
    const db = await this.db;
    const [queued, refused] = await Promise.all([db.getAll('queued'), db.getAll('refused')]);
    return [...queued, ...refused].filter((entry) => entry.runId === runId).length;
  }

  async load(): Promise<void> {
    const db = await this.db;
    const filed = new Map((await db.getAll('filed')).map(({ runId, sheetId }) => [runId, sheetId]));
    this.change({ queued: await db.count('queued'), refused: await db.getAll('refused'), filed });
  }

  /** Sends what waits; a call while sending sends again afterwards. */
  flush = (): Promise<void> => {
    if (this.sending) {
      this.isAskedAgain = true;
      return this.sending;
    }
    this.sending = this.sendAll().finally(() => {
      this.sending = undefined;
      if (!this.isAskedAgain) return;
      this.isAskedAgain = false;
      void this.flush();
    });
    return this.sending;
  };

  private async sendAll(): Promise<void> {
    const first = this.first();
    // A bug of ours in what goes first comes out too, once it has held up no entry.
    await first.catch(() => undefined);
    await this.sendEntries();
    await first;
  }

  private async sendEntries(): Promise<void> {
    const db = await this.db;
    const stuck = new Set<string>();
    for (;;) {
      const waiting = await db.getAll('queued');
      this.change({ queued: waiting.length });
      const next = waiting.find(({ runId }) => !stuck.has(runId));
      if (!next) return this.change({ isReachable: stuck.size === 0 });
      const own = waiting.filter(({ runId }) => runId === next.runId);
      try {
        const events = await this.eventsOf(own.slice(0, BATCH));
        if (events.length > 0) await this.sendSome(next.runId, events);
      } catch (error) {
        if (error instanceof Unreachable) return this.change({ isReachable: false });
        // Only the network and the server may be away; a bug of ours is not called that.
        if (!(error instanceof Refusal)) throw error;
        stuck.add(next.runId);
      }
    }
  }

  /** The entries themselves. One that is not on the device any more, a signature that was taken back, leaves the queue. */
  private async eventsOf(entries: readonly { readonly id: string }[]): Promise<RunEvent[]> {
    const db = await this.db;
    const events = await Promise.all(entries.map(({ id }) => db.get('events', id)));
    const gone = entries.filter((_, i) => events[i] === undefined);
    await Promise.all(gone.map(({ id }) => db.delete('queued', id)));
    return events.filter((event) => event !== undefined);
  }

  /** Sends a batch; one that as a whole cannot be taken goes in halves, down to the entry at fault. */
  private async sendSome(runId: string, events: readonly RunEvent[]): Promise<void> {
    const half = Math.ceil(events.length / 2);
    try {
      await this.settle(runId, events, await this.post(runId, events));
    } catch (error) {
      if (!(error instanceof Refusal) || !isAboutTheBatch(error) || half === events.length)
        throw error;
      await this.sendSome(runId, events.slice(0, half));
      await this.sendSome(runId, events.slice(half));
    }
  }

  /** What the server did with a batch; throws where it cannot be reached, or cannot take it as it is. */
  private async post(runId: string, events: readonly RunEvent[]): Promise<Ingested> {
    try {
      return await this.server.postEvents(runId, events);
    } catch (error) {
      if (!(error instanceof Refusal) || isNotNow(error)) throw error;
      const partly = ingestedSchema.safeParse(error.detail);
      if (partly.success) return partly.data;
      if (isAboutTheBatch(error) && events.length > 1) throw error;
      return { stored: [], refused: events.map(({ id }) => ({ id, code: error.code })) };
    }
  }

  /** What kept the entries of a run from being taken has been mended: they wait to be sent again. */
  async sendAgain(runId: string): Promise<void> {
    const db = await this.db;
    const own = (await db.getAll('refused')).filter((entry) => entry.runId === runId);
    const transaction = db.transaction(['queued', 'refused'], 'readwrite');
    for (const { id } of own) {
      void transaction.objectStore('refused').delete(id);
      void transaction.objectStore('queued').put({ id, runId });
    }
    await transaction.done;
    this.change({ refused: this.state.refused.filter((entry) => entry.runId !== runId) });
    await this.flush();
  }

  /** The user has seen why an entry was refused, and lets go of it; it stays in the run on this device. */
  async letGo(id: string): Promise<void> {
    await (await this.db).delete('refused', id);
    this.change({ refused: this.state.refused.filter((entry) => entry.id !== id) });
  }

  private async settle(runId: string, sent: readonly RunEvent[], answer: Ingested): Promise<void> {
    const db = await this.db;
    const refused = answer.refused.map(({ id, code }) => ({ id, runId, code }));
    const dealtWith = new Set([...answer.stored, ...refused.map(({ id }) => id)]);
    const transaction = db.transaction(['queued', 'refused', 'filed'], 'readwrite');
    for (const { id } of sent)
      if (dealtWith.has(id)) void transaction.objectStore('queued').delete(id);
    for (const entry of refused) void transaction.objectStore('refused').put(entry);
    if (answer.sheetId)
      void transaction.objectStore('filed').put({ runId, sheetId: answer.sheetId });
    await transaction.done;
    if (!sent.some(({ id }) => dealtWith.has(id)))
      throw new Unreachable('the server kept nothing of a batch');
    this.change({
      refused: [...this.state.refused.filter(({ id }) => !dealtWith.has(id)), ...refused],
      filed: answer.sheetId
        ? new Map(this.state.filed).set(runId, answer.sheetId)
        : this.state.filed,
      waiting: withWaiting(this.state.waiting, runId, answer.waitsFor),
    });
  }

  private change(change: Partial<OutboxState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}

function withWaiting(
  before: ReadonlyMap<string, string>,
  runId: string,
  code: string | undefined,
): ReadonlyMap<string, string> {
  const next = new Map(before);
  if (code === undefined) next.delete(runId);
  else next.set(runId, code);
  return next;
}

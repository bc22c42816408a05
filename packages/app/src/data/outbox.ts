import { ingestedSchema, type Ingested, type RunEvent } from '@holvek/core';
import { Refusal, Unreachable, type Api } from './api';
import type { DeviceDb, RefusedEntry } from './device-db';
import { groupBy } from './group-by';

/**
 *            entry kept                    all stored
 *   idle ───────────────▶ sending ─────────────────────▶ idle
 *    ▲                       │ no network
 *    └── later, or `online` ─┴──▶ unreachable (entries stay)
 *
 * What the server understands and refuses leaves the queue and is kept with its reason.
 */
export type OutboxState = {
  readonly queued: number;
  readonly refused: readonly RefusedEntry[];
  readonly isReachable: boolean;
  /** Run id → id of the sheet that its signature has filed. */
  readonly filed: ReadonlyMap<string, string>;
};

/** No network, or a server in trouble: what waits stays, and is tried again. */
const isAway = (error: unknown): boolean =>
  error instanceof Unreachable || (error instanceof Refusal && error.status >= 500);

const BATCH = 200;
const NOTHING: OutboxState = { queued: 0, refused: [], isReachable: true, filed: new Map() };

export class Outbox {
  private state = NOTHING;
  private sending: Promise<void> | undefined;
  private isAskedAgain = false;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly db: Promise<DeviceDb>,
    private readonly server: Pick<Api, 'postEvents'>,
  ) {}

  snapshot = (): OutboxState => this.state;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

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
    const db = await this.db;
    for (;;) {
      const waiting = await db.getAll('queued');
      this.change({ queued: waiting.length });
      if (waiting.length === 0) return this.change({ isReachable: true });
      const [runId, entries] = [...groupBy(waiting, (entry) => entry.runId)][0]!;
      const events: RunEvent[] = [];
      for (const { id } of entries.slice(0, BATCH)) {
        const event = await db.get('events', id);
        if (event) events.push(event);
      }
      try {
        await this.settle(runId, events, await this.post(runId, events));
      } catch (error) {
        // Only the network may be away; a bug of ours is not called that.
        if (!isAway(error)) throw error;
        return this.change({ isReachable: false });
      }
    }
  }

  /** What the server did with a batch; throws only where it cannot be reached. */
  private async post(runId: string, events: readonly RunEvent[]): Promise<Ingested> {
    try {
      return await this.server.postEvents(runId, events);
    } catch (error) {
      if (!(error instanceof Refusal) || error.status >= 500) throw error;
      const partly = ingestedSchema.safeParse(error.detail);
      if (partly.success) return partly.data;
      return { stored: [], refused: events.map(({ id }) => ({ id, code: error.code })) };
    }
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
    });
  }

  private change(change: Partial<OutboxState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}

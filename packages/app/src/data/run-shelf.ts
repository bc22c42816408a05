import {
  checkEvent,
  extendRun,
  mergeEvents,
  reduceRun,
  signedEntry,
  type FreezeError,
  type Run,
  type RunEvent,
  type RunEventDraft,
} from '@holvek/core';
import type { DeviceDb } from './device-db';
import { deviceId } from './device-id';
import { deviceKey } from './device-key';
import { groupBy } from './group-by';
import { newId } from './new-id';

export type ShelfEntry = { readonly run: Run; readonly events: readonly RunEvent[] };
/** The device could not keep an entry: it was not recorded. */
export type StorageError = { readonly code: 'storage.full' };
type StartedDraft = Extract<RunEventDraft, { type: 'started' }>;

type Options = {
  readonly db: Promise<DeviceDb>;
  readonly now?: () => number;
  readonly makeId?: () => string;
  /** Told after an entry is safe on the device. */
  readonly onKept?: () => void;
  /** The other tabs of this device: told of what is kept here, heard of what is kept there. */
  readonly tabs?: Pick<BroadcastChannel, 'postMessage' | 'addEventListener'>;
};

/**
 * The runs on this device. An entry counts once it is in IndexedDB, together with its place in
 * the outbox, in one transaction; only then does the run on screen change.
 */
export class RunShelf {
  private entries: ReadonlyMap<string, ShelfEntry> = new Map();
  private isLoaded = false;
  private last: Promise<unknown> = Promise.resolve();
  private readonly listeners = new Set<() => void>();

  constructor(private readonly options: Options) {
    options.tabs?.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      if (typeof data === 'string') void this.readAgain(data);
    });
  }

  snapshot = (): ReadonlyMap<string, ShelfEntry> => this.entries;
  loaded = (): boolean => this.isLoaded;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Everything that this device has kept; called once at the start. */
  async load(): Promise<void> {
    const db = await this.options.db;
    for (const events of groupBy(await db.getAll('events'), ({ run_id }) => run_id).values())
      this.show(mergeEvents(events));
    this.isLoaded = true;
    this.tell();
  }

  /** Starts a run; its id, or why not. */
  async begin(draft: StartedDraft, author: string): Promise<string | FreezeError | StorageError> {
    const runId = this.makeId();
    const error = await this.oneByOne(() => this.write(runId, draft, author));
    return error ?? runId;
  }

  /** Adds an entry to a run; undefined when it is kept, else why not. */
  add(
    runId: string,
    draft: RunEventDraft,
    author: string,
  ): Promise<FreezeError | StorageError | undefined> {
    return this.oneByOne(async () => {
      const entry = this.entries.get(runId);
      if (!entry) throw new Error(`no run ${runId} on this device`);
      const refused = checkEvent(entry.run, draft);
      if (refused) return refused;
      return this.write(runId, draft, author);
    });
  }

  /** Takes back a signature that the server has refused: the run is open again, and is signed anew. */
  takeBack(runId: string, id: string): Promise<void> {
    return this.oneByOne(async () => {
      const db = await this.options.db;
      const events = this.entries.get(runId)?.events ?? [];
      const isSignature = events.some((event) => event.id === id && event.type === 'signed');
      if (!isSignature || !(await db.get('refused', id))) return;
      await db.delete('events', id);
      this.show(events.filter((event) => event.id !== id));
      this.tell();
      this.options.tabs?.postMessage(runId);
    });
  }

  /** Entries of a run as another device or the server knows them, merged with our own. */
  async take(events: readonly RunEvent[]): Promise<void> {
    const db = await this.options.db;
    const transaction = db.transaction('events', 'readwrite');
    await Promise.all([...events.map((event) => transaction.store.put(event)), transaction.done]);
    const known = this.entries.get(events[0]?.run_id ?? '')?.events ?? [];
    this.show(mergeEvents(known, events));
    this.tell();
    if (events[0]) this.options.tabs?.postMessage(events[0].run_id);
  }

  /** Another tab has kept something of a run, or taken its signature back: what the device keeps counts. */
  private async readAgain(runId: string): Promise<void> {
    const db = await this.options.db;
    const there = await db.getAllFromIndex('events', 'run', runId);
    const known = this.entries.get(runId)?.events ?? [];
    if (there.length === known.length) return;
    this.show(mergeEvents(there));
    this.tell();
  }

  private makeId = (): string => (this.options.makeId ?? newId)();

  /** Seals an entry over everything known of its run here, and keeps it. */
  private async write(
    runId: string,
    draft: RunEventDraft,
    author: string,
  ): Promise<FreezeError | StorageError | undefined> {
    const known = this.entries.get(runId)?.events ?? [];
    const stamp = {
      id: this.makeId(),
      runId,
      author: author || 'unnamed',
      device: await deviceId(await this.options.db),
      atMs: Math.round((this.options.now ?? Date.now)()),
    };
    const key = draft.type === 'signed' ? await deviceKey(await this.options.db) : undefined;
    const sealed = await signedEntry(draft, stamp, known, key);
    return sealed.ok ? this.keep(runId, sealed.value) : sealed.error;
  }

  private async keep(runId: string, event: RunEvent): Promise<StorageError | undefined> {
    const db = await this.options.db;
    try {
      const transaction = db.transaction(['events', 'queued'], 'readwrite');
      await Promise.all([
        transaction.objectStore('events').put(event),
        transaction.objectStore('queued').put({ id: event.id, runId }),
        transaction.done,
      ]);
    } catch (error) {
      if ((error as Error).name === 'QuotaExceededError' || (error as Error).name === 'AbortError')
        return { code: 'storage.full' };
      throw error;
    }
    const entry = this.entries.get(runId);
    const run = entry && extendRun(entry.run, event);
    if (entry && run) this.set(runId, { run, events: [...entry.events, event] });
    else this.show(mergeEvents(entry?.events ?? [], [event]));
    this.tell();
    this.options.tabs?.postMessage(runId);
    this.options.onKept?.();
    return undefined;
  }

  /** A list that tells of no run (its start has not come yet) is kept but not shown. */
  private show(events: readonly RunEvent[]): void {
    const reduced = reduceRun(events);
    if (reduced.ok) this.set(reduced.value.id, { run: reduced.value, events });
  }

  private set(runId: string, entry: ShelfEntry): void {
    this.entries = new Map(this.entries).set(runId, entry);
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }

  /** Entries follow one another, so that each is checked against the run as the one before left it. */
  private oneByOne<T>(work: () => Promise<T>): Promise<T> {
    const next = this.last.then(work);
    this.last = next.catch(() => undefined);
    return next;
  }
}

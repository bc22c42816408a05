import { openDeviceDb, type DeviceDb } from './device-db';

/** Whether this browser keeps what is entered: not yet known, it does, it may not, or it was taken away. */
export type Keeping = 'opening' | 'kept' | 'denied' | 'gone';

/** The storage of this device, and what became of it: work that is not kept must not look as if it were. */
export class DeviceStorage {
  private state: Keeping = 'opening';
  private readonly listeners = new Set<() => void>();
  /** Never settles where nothing can be kept: whoever waits for it shows what it shows without. */
  readonly db: Promise<DeviceDb>;
  /** The same, or nothing where nothing can be kept: for what is only a convenience. */
  readonly ifKept: Promise<DeviceDb | undefined>;

  constructor(open: (onGone: () => void) => Promise<DeviceDb>) {
    const opened = open(() => this.become('gone'));
    this.ifKept = opened.catch(() => undefined);
    this.db = opened.then(
      (db) => {
        this.become('kept');
        return db;
      },
      () => {
        this.become('denied');
        return new Promise<never>(() => undefined);
      },
    );
  }

  snapshot = (): Keeping => this.state;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private become(state: Keeping): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}

/** Opens the browser’s own database; one that is absent counts as denied. */
export const openHere = (onGone: () => void): Promise<DeviceDb> =>
  typeof indexedDB === 'undefined'
    ? Promise.reject(new Error('this browser has no IndexedDB'))
    : openDeviceDb('holvek', onGone);

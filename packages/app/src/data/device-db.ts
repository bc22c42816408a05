import type { RunEvent } from '@holvek/core';
import type { KeptChange } from './kept-changes';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** An entry that the server would not take, kept with its reason. */
export type RefusedEntry = { readonly id: string; readonly runId: string; readonly code: string };

/** What this device keeps: events, those still to be sent, those refused, filed sheets, the query cache. */
interface DeviceSchema extends DBSchema {
  events: { key: string; value: RunEvent; indexes: { run: string } };
  queued: {
    key: string;
    value: { readonly id: string; readonly runId: string };
    indexes: { run: string };
  };
  refused: { key: string; value: RefusedEntry };
  filed: { key: string; value: { readonly runId: string; readonly sheetId: string } };
  cache: { key: string; value: unknown };
  changes: { key: string; value: KeptChange };
  /** Pictures that the server has still to take. */
  pictures: { key: string; value: { readonly name: string; readonly bytes: ArrayBuffer } };
}
export type DeviceDb = IDBPDatabase<DeviceSchema>;

/**
 * Opens what this device keeps.
 *
 * @param onGone  told when the browser takes it away under the running page
 * @throws where the browser keeps nothing (denied, or a window that forgets)
 */
export const openDeviceDb = (name = 'holvek', onGone?: () => void): Promise<DeviceDb> =>
  openDB<DeviceSchema>(name, 3, {
    terminated: () => onGone?.(),
    upgrade(db, from) {
      db.createObjectStore('pictures', { keyPath: 'name' });
      if (from >= 2) return;
      db.createObjectStore('changes', { keyPath: 'key' });
      if (from >= 1) return;
      db.createObjectStore('events', { keyPath: 'id' }).createIndex('run', 'run_id');
      db.createObjectStore('queued', { keyPath: 'id' }).createIndex('run', 'runId');
      db.createObjectStore('refused', { keyPath: 'id' });
      db.createObjectStore('filed', { keyPath: 'runId' });
      db.createObjectStore('cache');
    },
  });

import { useSyncExternalStore } from 'react';
import { api, Unreachable } from './api';
import { DeviceStorage, openHere, type Keeping } from './device-storage';
import { HandsHere } from './hands-here';
import { KeptChanges, type KeptChange, type Puts } from './kept-changes';
import { LogWatch, type LogWatchState } from './log-watch';
import { PictureShelf } from './picture-shelf';
import { Outbox, type OutboxState } from './outbox';
import { retryDelay } from './retry-delay';
import { RunShelf, type ShelfEntry } from './run-shelf';

const storage = new DeviceStorage(openHere);
export const deviceDb = storage.db;
/** For what is only a convenience: nothing where this device keeps nothing. */
export const deviceDbIfKept = storage.ifKept;
export const handsHere = new HandsHere(deviceDbIfKept);
export const pictures = new PictureShelf(deviceDbIfKept, api.putPicture);

/** The file goes before what is said of it, and is let go of once both are there. */
export const putPhoto: typeof api.putPhoto = async (photo, change) => {
  await pictures.send(photo.picture);
  const kept = await api.putPhoto(photo, change);
  await pictures.letGo(photo.picture);
  return kept;
};

/** Each list is put by its own call, which checks what it is given. */
const puts = {
  sites: api.putSite,
  valves: api.putValve,
  gauges: api.putGauge,
  rounds: api.putRound,
  systems: api.putSystem,
  repairs: api.putRepair,
  photos: putPhoto,
  notices: api.putNotice,
  seasons: api.putSeason,
} as unknown as Puts;
const tabsOf = (name: string): BroadcastChannel | undefined =>
  typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(name);
const runTabs = tabsOf('holvek.runs');
export const keptChanges = new KeptChanges(deviceDb, puts, tabsOf('holvek.changes'));
export const outbox = new Outbox(deviceDb, api, keptChanges.flush);
export const logWatch = new LogWatch(deviceDb, api);
export const shelf = new RunShelf({
  db: deviceDb,
  onKept: () => void outbox.flush(),
  ...(runTabs ? { tabs: runTabs } : {}),
});

let isStarted = false;

/** Reads what the device has kept, fetches work left by others, and keeps sending. Called once. */
export function startSync(): void {
  if (isStarted) return;
  isStarted = true;
  // Asked for, not demanded: a browser that may clear what it keeps is told what it holds.
  // oxlint-disable-next-line typescript/no-unnecessary-condition -- absent outside a secure context
  void navigator.storage?.persist?.().catch(() => false);
  void Promise.all([shelf.load(), outbox.load(), keptChanges.load()]).then(async () => {
    await outbox.flush();
    await pullOpenRuns();
    await logWatch.look();
  });
  lookWhenFiled();
  window.addEventListener(
    'online',
    () => void outbox.flush().then(pullOpenRuns).then(logWatch.look),
  );
  window.addEventListener('offline', () => void outbox.flush());
  void keepTrying();
}

/** Sends again what could not be sent, at growing intervals, for as long as the page lives. */
async function keepTrying(): Promise<never> {
  let failures = 0;
  for (;;) {
    await new Promise((resolve) => setTimeout(resolve, retryDelay(failures, Math.random())));
    const { queued, isReachable } = outbox.snapshot();
    failures = isReachable ? 0 : failures + 1;
    const isWaiting = keptChanges.snapshot().some(({ refused }) => refused === undefined);
    if (queued > 0 || isWaiting || !isReachable) void outbox.flush();
  }
}

/** The log has grown: its new head is kept. */
function lookWhenFiled(): void {
  let filed = outbox.snapshot().filed.size;
  outbox.subscribe(() => {
    if (outbox.snapshot().filed.size === filed) return;
    filed = outbox.snapshot().filed.size;
    void logWatch.look();
  });
}

/** Runs that others have left open; without a network there are none to be had. */
export function pullOpenRuns(): Promise<void> {
  pulling ??= fetchOpenRuns().finally(() => {
    pulling = undefined;
  });
  return pulling;
}
/** Several screens ask for the same as they open. */
let pulling: Promise<void> | undefined;

async function fetchOpenRuns(): Promise<void> {
  // Without a network they come with the next visit that has one.
  const open = await api.runs().catch(() => []);
  for (const { id } of open)
    try {
      await pullRun(id);
    } catch (error) {
      // One that cannot be read here, such as one of a newer version, holds up no other; a network that is gone does.
      if (error instanceof Unreachable) return;
    }
}

/** One run from the server, merged with what this device knows of it. */
export const pullRun = async (id: string): Promise<void> => shelf.take((await api.run(id)).events);

const emptyShelf: ReadonlyMap<string, ShelfEntry> = new Map();
export const useShelf = (): ReadonlyMap<string, ShelfEntry> =>
  useSyncExternalStore(shelf.subscribe, shelf.snapshot, () => emptyShelf);
export const useShelfLoaded = (): boolean =>
  useSyncExternalStore(shelf.subscribe, shelf.loaded, () => false);
export const useOutbox = (): OutboxState =>
  useSyncExternalStore(outbox.subscribe, outbox.snapshot, outbox.snapshot);
/** Changes of the register that the server has not taken yet. */
export const useKeptChanges = (): readonly KeptChange[] =>
  useSyncExternalStore(keptChanges.subscribe, keptChanges.snapshot, keptChanges.snapshot);
/** Whether this device keeps what is entered. */
export const useKeeping = (): Keeping =>
  useSyncExternalStore(storage.subscribe, storage.snapshot, storage.snapshot);
export const useLogWatch = (): LogWatchState =>
  useSyncExternalStore(logWatch.subscribe, logWatch.snapshot, logWatch.snapshot);
/** Id of the sheet that a run's signature has filed, once the server has said so. */
export const useFiledSheet = (runId: string): string | undefined => useOutbox().filed.get(runId);

import { wrap, type Remote } from 'comlink';
import type { LogWorker } from './log.worker';

/** A worker for one log; closing it is how a long one is cancelled. */
export function openLogWorker(): { readonly log: Remote<LogWorker>; readonly close: () => void } {
  const worker = new Worker(new URL('./log.worker.ts', import.meta.url));
  return { log: wrap<LogWorker>(worker), close: () => worker.terminate() };
}

import type { Remote } from 'comlink';
import type { LogWorker } from './log.worker';

/** Only the web build reads logs. */
export function openLogWorker(): { readonly log: Remote<LogWorker>; readonly close: () => void } {
  throw new Error('reading a log needs a web worker');
}

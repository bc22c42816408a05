import type { Remote } from 'comlink';
import type { LineWorker } from './line.worker';

/** Only the web build rehearses a line. */
export function openLineWorker(): {
  readonly line: Remote<LineWorker>;
  readonly close: () => void;
} {
  throw new Error('rehearsing a line needs a web worker');
}

import type { Remote } from 'comlink';
import type { TwinWorker } from './twin.worker';

/** Only the web build carries the simulated gauge. */
export function openTwinWorker(): {
  readonly twin: Remote<TwinWorker>;
  readonly close: () => void;
} {
  throw new Error('the simulated gauge needs a web worker');
}

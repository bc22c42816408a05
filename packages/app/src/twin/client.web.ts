import { wrap, type Remote } from 'comlink';
import type { TwinWorker } from './twin.worker';

/** A worker of its own for each run's twin. */
export function openTwinWorker(): {
  readonly twin: Remote<TwinWorker>;
  readonly close: () => void;
} {
  const worker = new Worker(new URL('./twin.worker.ts', import.meta.url));
  return { twin: wrap<TwinWorker>(worker), close: () => worker.terminate() };
}

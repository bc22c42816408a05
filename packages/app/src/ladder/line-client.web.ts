import { wrap, type Remote } from 'comlink';
import type { LineWorker } from './line.worker';

/** A worker for one rehearsal of a line. */
export function openLineWorker(): {
  readonly line: Remote<LineWorker>;
  readonly close: () => void;
} {
  const worker = new Worker(new URL('./line.worker.ts', import.meta.url));
  return { line: wrap<LineWorker>(worker), close: () => worker.terminate() };
}

import { wrap, type Remote } from 'comlink';
import type { CodeWorker } from './code.worker';

/** A worker that reads codes for as long as a page looks for one. */
export function openCodeWorker(): {
  readonly codes: Remote<CodeWorker>;
  readonly close: () => void;
} {
  const worker = new Worker(new URL('./code.worker.ts', import.meta.url));
  return { codes: wrap<CodeWorker>(worker), close: () => worker.terminate() };
}

import type { Remote } from 'comlink';
import type { CodeWorker } from './code.worker';

/** Only the web build reads codes. */
export function openCodeWorker(): {
  readonly codes: Remote<CodeWorker>;
  readonly close: () => void;
} {
  throw new Error('reading a code needs a web worker');
}

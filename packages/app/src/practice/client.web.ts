import type { RunEvent, Score } from '@holvek/core';
import { wrap } from 'comlink';
import type { ScoreWorker } from './score.worker';

/** Scores a practised run in a worker of its own. */
export async function scoreInWorker(
  events: readonly RunEvent[],
  provedWell: boolean,
): Promise<Score | undefined> {
  const worker = new Worker(new URL('./score.worker.ts', import.meta.url));
  try {
    return await wrap<ScoreWorker>(worker).score(events, provedWell);
  } finally {
    worker.terminate();
  }
}

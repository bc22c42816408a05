import type { Judged, RunEvent, Score } from '@holvek/core';
import { wrap } from 'comlink';
import type { ScoreWorker } from './score.worker';

/** Scores a practised run in a worker of its own. */
export async function scoreInWorker(
  events: readonly RunEvent[],
  judged: Judged,
): Promise<Score | undefined> {
  const worker = new Worker(new URL('./score.worker.ts', import.meta.url));
  try {
    return await wrap<ScoreWorker>(worker).score(events, judged);
  } finally {
    worker.terminate();
  }
}

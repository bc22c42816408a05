import type { Judged, RunEvent, Score } from '@holvek/core';
import { scoreOf } from '@holvek/core/score';
import { expose } from 'comlink';

/** The master's run takes a moment: it is carried out away from the screen. */
const scoreWorker = {
  score(events: readonly RunEvent[], judged: Judged): Score | undefined {
    const result = scoreOf(events, judged);
    return result.ok ? result.value : undefined;
  },
};
export type ScoreWorker = typeof scoreWorker;

expose(scoreWorker);

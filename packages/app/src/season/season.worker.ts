import type { Routes, SeasonProblem } from '@holvek/core';
import { planSeason } from '@holvek/core/season';
import { expose } from 'comlink';

/** Times that a part of the plan is taken out and put in again. */
const ROUNDS = 1500;

/** Plans away from the screen. */
const seasonWorker = {
  plan(
    problem: SeasonProblem,
    onProgress: (share: number) => void,
  ): { readonly routes: Routes; readonly cost: number } {
    return planSeason(problem, { rounds: ROUNDS, onProgress });
  },
};
export type SeasonWorker = typeof seasonWorker;

expose(seasonWorker);

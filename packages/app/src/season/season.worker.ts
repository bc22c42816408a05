import type { Routes, SeasonProblem } from '@holvek/core';
import { planSeason } from '@holvek/core/season';
import { expose } from 'comlink';

/** Times that a part of the plan is taken out and put in again: some seconds, the more visits the fewer. */
const roundsFor = (visits: number): number =>
  Math.min(4500, Math.max(150, Math.round(900_000 / Math.max(1, visits))));

/** Plans away from the screen. */
const seasonWorker = {
  plan(
    problem: SeasonProblem,
    onProgress: (share: number) => void,
  ): { readonly routes: Routes; readonly cost: number } {
    return planSeason(problem, { rounds: roundsFor(problem.blocks.length), onProgress });
  },
};
export type SeasonWorker = typeof seasonWorker;

expose(seasonWorker);

import { planSeason, type Routes, type SeasonProblem } from '@holvek/core';

/** Where there are no workers, at once: tests plan small seasons. */
export const planInWorker = async (
  problem: SeasonProblem,
  onProgress: (share: number) => void,
): Promise<{ readonly routes: Routes; readonly cost: number }> =>
  planSeason(problem, { rounds: 50, onProgress });

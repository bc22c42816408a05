import type { Routes, SeasonProblem } from '@holvek/core';
import { proxy, wrap } from 'comlink';
import type { SeasonWorker } from './season.worker';

/** Plans in a worker of its own, which ends with the plan. */
export async function planInWorker(
  problem: SeasonProblem,
  onProgress: (share: number) => void,
): Promise<{ readonly routes: Routes; readonly cost: number }> {
  const worker = new Worker(new URL('./season.worker.ts', import.meta.url));
  try {
    return await wrap<SeasonWorker>(worker).plan(problem, proxy(onProgress));
  } finally {
    worker.terminate();
  }
}

import type { StepBehaviour } from '../behaviour';
import { noneLeft } from '../guard-names';
import { linkageMarks, takenPoint } from '../linkage/linkage-view';
import { recordOf } from '../run-state';
import { takePoints } from './carry-out';
import { pointsView, pointTwice } from './points-view';
import { pointsProofs } from './proofs';
import { pointsPrompt } from './prompt';

/** A table of points up and down a range. */
export const pointsStep: StepBehaviour<'points'> = {
  maySkip: true,
  proves: pointsProofs,
  fold: (run, step, event) =>
    event.type === 'cal_point'
      ? {
          record: {
            kind: 'points',
            points: [...recordOf(run, step).points, takenPoint(run, event)],
          },
          linkage: linkageMarks(run, event),
        }
      : undefined,
  refuses: (run, step, draft) => pointTwice(recordOf(run, step).points, draft),
  asks: (run, step) => ({
    guard: 'points_whole',
    ...noneLeft(pointsView(run, step.id).left),
  }),
  moves: (_, event) => (event.type === 'cal_point' ? [{ signal: event.at }] : []),
  prompt: pointsPrompt,
  carryOut: takePoints,
};

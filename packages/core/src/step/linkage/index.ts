import type { StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { pointTwice } from '../points/points-view';
import { recordOf } from '../run-state';
import { setLinkage } from './carry-out';
import { linkageMarks, linkageView, takenPoint } from './linkage-view';
import { linkagePrompt } from './prompt';

/** Zero, span and angularity as one system. */
export const linkageStep: StepBehaviour<'linkage'> = {
  maySkip: false,
  fold: (run, step, event) =>
    event.type === 'cal_point'
      ? {
          record: {
            kind: 'linkage',
            points: [...recordOf(run, step).points, takenPoint(run, event)],
          },
          linkage: linkageMarks(run, event),
        }
      : undefined,
  refuses: (run, step, draft) => pointTwice(recordOf(run, step).points, draft),
  asks: (run) => ({
    guard: 'linkage_holds',
    ...metWhen(linkageView(run).move.kind === 'done'),
  }),
  moves: (_, event) => (event.type === 'cal_point' ? [{ signal: event.at }] : []),
  prompt: linkagePrompt,
  carryOut: setLinkage,
};

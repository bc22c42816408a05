import type { StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { tuneByStep } from './carry-out';
import { dialledIn } from './tune-view';

/** A step test, its model, and the settings dialled from it. */
export const tuneStep: StepBehaviour<'tune'> = {
  maySkip: true,
  fold: (_, __, event) =>
    event.type === 'step_tested'
      ? {
          record: {
            kind: 'tune',
            samples: event.samples.map(([t, output, value]) => ({ t, output, value })),
            ...(event.file ? { file: event.file } : {}),
          },
        }
      : undefined,
  asks: (run) => ({ guard: 'tuned', ...metWhen(dialledIn(run) !== undefined) }),
  carryOut: tuneByStep,
};

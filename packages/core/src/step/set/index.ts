import type { StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { setByCoach } from './carry-out';
import { setPrompt } from './prompt';
import { settingView } from './setting-view';

/** One adjuster turned until the gauge stands in its lane. */
export const setStep: StepBehaviour<'set'> = {
  maySkip: false,
  asks: (run, step) => ({
    guard: 'set_in_lane',
    ...metWhen(settingView(run, step.adjuster).move?.kind === 'done'),
  }),
  prompt: setPrompt,
  carryOut: setByCoach,
};

import { answer } from '../act-out';
import type { StepBehaviour } from '../behaviour';
import { answered } from '../guard-names';

export const clockStep: StepBehaviour<'clock'> = {
  maySkip: true,
  asks: ({ observed }) => ({ guard: 'lit_late', ...answered(observed['lit_late'], 'yes') }),
  carryOut: answer,
};

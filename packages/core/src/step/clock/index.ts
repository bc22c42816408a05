import { answer } from '../act-out';
import type { StepBehaviour } from '../behaviour';
import { answered } from '../guard-names';
import { notProved, proofOf } from '../proof';

export const clockStep: StepBehaviour<'clock'> = {
  maySkip: true,
  proves: ({ observed }, step) => {
    const lit = observed['lit_late'];
    const subject = { proof: 'late_spark', step } as const;
    return [lit === undefined ? notProved(subject) : proofOf(subject, lit === 'yes')];
  },
  asks: ({ observed }) => ({ guard: 'lit_late', ...answered(observed['lit_late'], 'yes') }),
  carryOut: answer,
};

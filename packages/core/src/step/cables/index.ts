import { actOut } from '../act-out';
import type { StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { voltsLeft } from './cable-sums';

/** Volts that are left at the end of each cable, before power. */
export const cablesStep: StepBehaviour<'cables'> = {
  maySkip: false,
  asks: (run) => ({ guard: 'volts_left', ...metWhen(voltsLeft(run)) }),
  carryOut: actOut,
};

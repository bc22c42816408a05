import { takeReading } from '../act-out';
import { confirm, type StepBehaviour } from '../behaviour';
import { noFlowProofs } from './proofs';

/** Readings of a watch, and s between two of them. */
const READINGS = 8;
const APART = 8;

export const tableStep: StepBehaviour<'table'> = {
  maySkip: true,
  proves: noFlowProofs,
  carryOut: (hand, step) => {
    for (let i = 0; i < READINGS; i++) {
      takeReading(hand, step, i * APART);
      hand.wait(APART);
    }
    return confirm(hand, step);
  },
};

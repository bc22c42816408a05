import { takeReading } from '../act-out';
import { confirm, type StepBehaviour } from '../behaviour';
import { droopProofs } from './proofs';

export const readStep: StepBehaviour<'read'> = {
  maySkip: true,
  proves: droopProofs,
  carryOut: (hand, step) => {
    hand.settle(step.role);
    takeReading(hand, step);
    return confirm(hand, step);
  },
};

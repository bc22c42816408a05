import { takeReading } from '../act-out';
import { confirm, type StepBehaviour } from '../behaviour';

export const readStep: StepBehaviour<'read'> = {
  maySkip: true,
  carryOut: (hand, step) => {
    hand.settle(step.role);
    takeReading(hand, step);
    return confirm(hand, step);
  },
};

import { confirm, type StepBehaviour } from '../behaviour';

/** s for a step that only waits. */
const LONG_WAIT = 180;

export const waitStep: StepBehaviour<'wait'> = {
  maySkip: true,
  carryOut: (hand, step) => {
    hand.wait(LONG_WAIT);
    return confirm(hand, step);
  },
};

import { confirm, type StepBehaviour } from '../behaviour';
import { countView } from './count-view';

/** The setting by count, from where the valve cracked. */
export const countStep: StepBehaviour<'count'> = {
  maySkip: false,
  carryOut: (hand, step) => {
    const { left } = countView(hand.run, step);
    if (left !== 0) {
      hand.turn(step.adjuster, left);
      hand.wait(2);
    }
    return confirm(hand, step);
  },
};

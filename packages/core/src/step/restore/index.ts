import { confirm, type StepBehaviour } from '../behaviour';
import { openEndsOf } from '../run-state';

export const restoreStep: StepBehaviour<'restore'> = {
  maySkip: false,
  carryOut: (hand, step) => {
    for (const { id, restores } of openEndsOf(hand.run)) {
      hand.act(restores);
      hand.wait(12);
      hand.add({ type: 'open_end_closed', open_end: id });
    }
    return confirm(hand, step);
  },
};

import { confirm, type StepBehaviour } from '../behaviour';
import { noneLeft } from '../guard-names';
import { terminalKey, terminals } from './terminals';
import { terminalsLeft } from './terminals-left';

/** Every terminal looked at once. */
export const terminalsStep: StepBehaviour<'terminals'> = {
  maySkip: false,
  asks: (run) => ({ guard: 'terminals_right', ...noneLeft(terminalsLeft(run)) }),
  carryOut: (hand, step) => {
    for (const { id } of terminals)
      hand.add({ type: 'observed', key: terminalKey(id), value: 'right' });
    hand.wait(2);
    return confirm(hand, step);
  },
};

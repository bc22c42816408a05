import { confirm, type StepBehaviour } from '../behaviour';
import { recordOf } from '../run-state';

/** s that each position of a cycle is held. */
const HELD = 14;

export const cycleStep: StepBehaviour<'cycle'> = {
  maySkip: true,
  fold: (run, step, event) => {
    if (event.type !== 'cycled') return undefined;
    const count = recordOf(run, step).count + 1;
    return { record: { kind: 'cycle', count }, opens: count === 1, moves: step.cycle };
  },
  moves: ({ cycle }, event) => (event.type === 'cycled' ? cycle : []),
  carryOut: (hand, step) => {
    const { count: wanted } = step;
    const count = typeof wanted === 'string' ? hand.run.started.house_rules[wanted] : wanted;
    for (let i = 0; i < count; i++) {
      for (const positions of step.cycle) {
        hand.act(positions);
        hand.wait(HELD);
      }
      hand.add({ type: 'cycled', step_id: step.id });
    }
    return confirm(hand, step);
  },
};

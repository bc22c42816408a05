import type { StepBehaviour } from '../behaviour';

export const lockStep: StepBehaviour<'lock'> = {
  maySkip: false,
  fold: (_, __, event) =>
    event.type === 'locked' ? { record: { kind: 'lock' }, passes: true } : undefined,
  carryOut: (hand, step) => {
    hand.wait(10);
    hand.add({ type: 'locked', step_id: step.id, adjuster: step.adjuster });
    return true;
  },
};

import type { StepBehaviour } from '../behaviour';

export const signStep: StepBehaviour<'sign'> = {
  maySkip: false,
  carryOut: (hand) => {
    hand.add({ type: 'signed', name: hand.author, covers: hand.run.eventCount });
    return true;
  },
};

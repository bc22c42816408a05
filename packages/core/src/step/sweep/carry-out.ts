import { sweepPosition } from '../../plant';
import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import type { StepOf } from '../shapes';
import { sweepPrompt } from './prompt';

const MOST = 90;

/** Obeys the prompt: sweeps the band, turns the alignment, until the output stays put. */
export function alignBySweep(hand: Hand, step: StepOf<'sweep'>): boolean {
  for (let i = 0; i < MOST; i++) {
    const prompt = sweepPrompt(hand.run, step);
    switch (prompt.ask) {
      case 'done':
        return confirm(hand, step);
      case 'band': {
        const { gain } = prompt;
        hand.act({ sweep: sweepPosition(gain) });
        hand.wait(12);
        const reading = { ...hand.read('outlet'), confirmed: true };
        hand.add({ type: 'swept', step_id: step.id, gain, role: 'outlet', reading });
        break;
      }
      case 'turn':
        hand.wait(1);
        hand.turn(prompt.adjuster, prompt.turns);
        hand.wait(2);
        break;
      default:
        return false;
    }
  }
  return false;
}

import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import type { StepOf } from '../shapes';
import { switchingPrompt } from './prompt';

const MOST = 60;

/** Obeys the prompt: marks edges as the contact changes, turns screws until the band holds. */
export function markCycles(hand: Hand, step: StepOf<'switching'>): boolean {
  for (let i = 0; i < MOST; i++) {
    const prompt = switchingPrompt(hand.run, step);
    if (prompt.ask === 'done') return confirm(hand, step);
    if (prompt.ask === 'turn') {
      hand.turn(prompt.adjuster, prompt.turns);
      hand.wait(4);
    } else if (prompt.ask === 'edge') {
      const { edge, cycle } = prompt;
      const contact = edge === 'cut_out' ? 0 : 1;
      // It must be on the other side first, so that the change itself is seen.
      if (!waitFor(hand, 1 - contact) || !waitFor(hand, contact)) return false;
      const reading = { ...hand.read('inlet'), confirmed: true };
      hand.add({ type: 'switched', step_id: step.id, role: 'inlet', edge, cycle, reading });
    } else return false;
  }
  return false;
}

function waitFor(hand: Hand, contact: number): boolean {
  for (let i = 0; i < 1600 && hand.scale() !== contact; i++) hand.wait(0.25);
  return hand.scale() === contact;
}

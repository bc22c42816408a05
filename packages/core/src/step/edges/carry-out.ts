import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import type { StepOf } from '../shapes';
import { flameOf, lightsLeft, lightsView, PURGED } from './lights';
import { edgesPrompt } from './prompt';

/** More than any search asks for, and turns after which the gas counts as brought there. */
const MOST = 240;
const MOST_TURNS = 8;

/** Obeys the prompt: purges, turns, lights, and leaves it in the middle; false when it is stuck. */
export function findEdges(hand: Hand, step: StepOf<'edges'>): boolean {
  let turnsSince = 0;
  for (let i = 0; i < MOST; i++) {
    hand.settle('outlet');
    const prompt = edgesPrompt(hand.run, step, { now: hand.read('outlet').si });
    if (prompt.ask === 'purge') {
      hand.wait(prompt.seconds);
      hand.add({ type: 'observed', key: PURGED, value: 'yes' });
    } else if (prompt.ask === 'turn' && turnsSince < MOST_TURNS) {
      turnsSince += 1;
      hand.turn(prompt.adjuster, prompt.turns);
      hand.wait(4);
    } else if (prompt.ask === 'stuck' || prompt.ask === 'read') return false;
    else {
      // A screw that cannot bring it nearer has brought it near enough.
      turnsSince = 0;
      if (lightsView(hand.run).search.isDone) return confirm(hand, step);
      if (lightsLeft(hand.run) <= 0) return false;
      tryLight(hand, step);
    }
  }
  return false;
}

function tryLight(hand: Hand, step: StepOf<'edges'>): void {
  const { lit, weak } = flameOf(hand.run, hand.scale());
  hand.add({
    type: 'light_tried',
    step_id: step.id,
    role: 'outlet',
    reading: { ...hand.read('outlet'), confirmed: true },
    lit,
    ...(weak ? { weak: true } : {}),
  });
}

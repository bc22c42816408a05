import { takeReading } from '../act-out';
import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import type { StepOf } from '../shapes';
import { settingView } from './setting-view';

const MOST_MOVES = 40;

/** Turns as the coach says until it says done; false when it was told to stop half-way or is stuck. */
export function setByCoach(hand: Hand, step: StepOf<'set'>): boolean {
  const { adjuster, role } = step;
  for (let i = 0; i < MOST_MOVES; i++) {
    hand.settle(role);
    takeReading(hand, step);
    if (hand.look().isWideOpen) {
      hand.wait(20);
      continue;
    }
    if (deafTwice(hand, adjuster)) continue;
    const { move } = settingView(hand.run, adjuster);
    if (!move || move.kind === 'stuck') return false;
    if (move.kind === 'done') return confirm(hand, step);
    if (move.kind === 'read_again') continue;
    if (hand.moves >= hand.stopAfterTurns) return false;
    hand.turn(adjuster, move.turns);
    hand.wait(2);
  }
  return false;
}

/** A screw that twice did nothing with the main full works the other way: said, as a technician would. */
function deafTwice(hand: Hand, adjuster: string): boolean {
  const { answer: given, dots, prior } = settingView(hand.run, adjuster);
  if (given !== 'no_change' || dots.length < 3 || adjuster in hand.run.directions) return false;
  const clockwise = prior.direction === 'lowers' ? 'raises' : 'lowers';
  hand.add({ type: 'direction_corrected', adjuster, clockwise });
  return true;
}

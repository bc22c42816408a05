import { signalAt } from '../../quantity';
import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import { addPoint, bringSignal, readPoint } from '../points/carry-out';
import { instrumentOf } from '../points/points-view';
import { recordOf } from '../run-state';
import type { StepOf } from '../shapes';
import { adjusterOfScrew, inputOfSpot, linkageView } from './linkage-view';

const MOST_MOVES = 60;

/** Reads and turns as the coach says until zero, span and angularity hold; false when it is stuck. */
export function setLinkage(hand: Hand, step: StepOf<'linkage'>): boolean {
  for (let i = 0; i < MOST_MOVES; i++) {
    const { move } = linkageView(hand.run);
    const pass = Math.min(99, 1 + recordOf(hand.run, step).points.length);
    if (move.kind === 'done') return confirm(hand, step);
    if (
      move.kind === 'cannot_judge' ||
      move.kind === 'end_of_scale' ||
      hand.moves >= hand.stopAfterTurns
    )
      return false;
    if (move.kind === 'turn') hand.turn(adjusterOfScrew(move.screw), move.turns);
    readSpot(hand, step, inputOfSpot[move.spot], pass);
  }
  return false;
}

function readSpot(hand: Hand, step: StepOf<'linkage'>, at: number, pass: number): void {
  // From below, so that friction always lies on the same side.
  if (at > 0) bringSignal(hand, at - 0.12);
  bringSignal(hand, at);
  const asked = { at, direction: 'up', pass } as const;
  if (step.measure === 'ends') readEnd(hand, step, asked);
  else readPoint(hand, step, asked);
}

/** The signal at which the output begins, or at which it has reached the supply, found by creeping up on it. */
function readEnd(
  hand: Hand,
  step: StepOf<'linkage'>,
  asked: { readonly at: number; readonly direction: 'up'; readonly pass: number },
): void {
  const { input } = instrumentOf(hand.run);
  const isLow = asked.at === 0;
  let signal = isLow ? 0 : 0.9;
  const isMet = () => {
    const { fill } = hand.look();
    return isLow ? fill > 0.02 : fill >= 0.985;
  };
  bringSignal(hand, signal);
  // Met already: back until it is not, so that the change itself is crept up on.
  while (isMet() && signal > 0) {
    signal = Math.max(0, signal - 0.1);
    bringSignal(hand, signal);
  }
  while (!isMet() && signal < 1) {
    signal = Math.min(1, signal + 0.0025);
    bringSignal(hand, signal);
  }
  addPoint(hand, step, asked, { range: input, value: signalAt(input, signal) });
}

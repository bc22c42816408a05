import type { Step } from '../procedure';
import { fromSI, signalAt, type SignalRange } from '../quantity';
import {
  adjusterOfScrew,
  inputOfSpot,
  instrumentOf,
  linkageView,
  pointsView,
  type RunEventDraft,
} from '../run';
import type { Hand } from './hand';
import { actOnTwin, readScale, turnTwin, twinOutputs } from './twin';

const MOST_MOVES = 60;
/** Longer than any movement takes to come to rest. */
const REST = 14;

/** All points of a table, up and down, each when the movement has come to rest. */
export function takePoints(hand: Hand, step: Step): void {
  for (let { next } = pointsView(hand.run, step.id); next; { next } = pointsView(hand.run, step.id)) {
    bringSignal(hand, next.at);
    hand.add(pointDraft(hand, step, next));
  }
}

/** Reads and turns as the coach says until zero, span and angularity hold; false when it is stuck. */
export function setLinkage(hand: Hand, step: Step, stopAfterTurns = Number.POSITIVE_INFINITY): boolean {
  const read = (at: number, pass: number) => {
    // From below, so that friction always lies on the same side.
    if (at > 0) bringSignal(hand, at - 0.12);
    bringSignal(hand, at);
    hand.add(
      step.measure === 'ends'
        ? endDraft(hand, step, at, pass)
        : pointDraft(hand, step, { at, direction: 'up', pass }),
    );
  };
  for (let i = 0; i < MOST_MOVES; i++) {
    const { move } = linkageView(hand.run);
    const pass = 1 + (hand.run.points[step.id]?.length ?? 0);
    if (move.kind === 'done') {
      hand.add({ type: 'step_done', step_id: step.id });
      return true;
    }
    if (move.kind === 'cannot_judge' || hand.moves >= stopAfterTurns) return false;
    if (move.kind === 'turn') {
      const adjuster = adjusterOfScrew(move.screw);
      const { turns } = move;
      hand.add({ type: 'turned', adjuster, turns });
      hand.moves += 1;
      hand.twin = turnTwin(hand.twin, adjuster, turns);
    }
    read(inputOfSpot[move.spot], Math.min(99, pass));
  }
  return false;
}

function bringSignal(hand: Hand, at: number): void {
  hand.twin = actOnTwin(hand.twin, { signal: Math.min(1, Math.max(0, at)) });
  hand.wait(REST);
}

type Asked = { readonly at: number; readonly direction: 'up' | 'down'; readonly pass: number };

function pointDraft(hand: Hand, step: Step, { at, direction, pass }: Asked): RunEventDraft {
  const { output } = instrumentOf(hand.run);
  const value = signalAt(output, readScale(hand.twin) ?? 0);
  return {
    type: 'cal_point',
    step_id: step.id,
    at,
    direction,
    pass,
    output: value,
    entered: printed(output, value),
    source: 'linked',
  };
}

/** The signal at which the output begins, or at which it has reached the supply, found by creeping up on it. */
function endDraft(hand: Hand, step: Step, at: number, pass: number): RunEventDraft {
  const { input } = instrumentOf(hand.run);
  const isLow = at === 0;
  let signal = isLow ? 0 : 0.9;
  const isMet = () => {
    const { fill } = twinOutputs(hand.twin);
    return isLow ? fill > 0.02 : fill >= 0.985;
  };
  bringSignal(hand, signal);
  for (let i = 0; i < 60 && !isMet() && signal < 1; i++) {
    signal += 0.0025;
    bringSignal(hand, signal);
  }
  const value = signalAt(input, signal);
  return {
    type: 'cal_point',
    step_id: step.id,
    at,
    direction: 'up',
    pass,
    output: value,
    entered: printed(input, value),
    source: 'linked',
  };
}

const UNIT = { current: 'mA', voltage: 'V', pressure: 'kPa', fraction: '%' } as const;
const printed = ({ kind }: SignalRange, value: number) => ({
  text: fromSI(value, UNIT[kind]).toFixed(2),
  unit: UNIT[kind],
});

import { asOnMeter, signalAt, toSI, type SignalRange } from '../../quantity';
import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import type { StepOf } from '../shapes';
import { instrumentOf, pointsView } from './points-view';

/** s, longer than any movement takes to come to rest. */
const REST = 14;

export function bringSignal(hand: Hand, at: number): void {
  hand.act({ signal: Math.min(1, Math.max(0, at)) });
  hand.wait(REST);
}

type Asked = { readonly at: number; readonly direction: 'up' | 'down'; readonly pass: number };
/** The point that is read off now. */
export function readPoint(hand: Hand, step: { readonly id: string }, asked: Asked): void {
  const { output } = instrumentOf(hand.run);
  addPoint(hand, step, asked, { range: output, value: signalAt(output, hand.scale()) });
}

/** A point with the value it was read at, in the kind of its range: as far as it is printed, as from a meter. */
export function addPoint(
  hand: Hand,
  step: { readonly id: string },
  { at, direction, pass }: Asked,
  { range, value }: { readonly range: SignalRange; readonly value: number },
): void {
  const entered = asOnMeter(range.kind, value);
  hand.add({
    type: 'cal_point',
    step_id: step.id,
    at,
    direction,
    pass,
    output: toSI(Number(entered.text), entered.unit),
    entered,
    source: 'linked',
  });
}

/** All points of a table, up and down, each when the movement has come to rest. */
export function takePoints(hand: Hand, step: StepOf<'points'>): boolean {
  const next = () => pointsView(hand.run, step.id).next;
  for (let asked = next(); asked; asked = next()) {
    bringSignal(hand, asked.at);
    readPoint(hand, step, asked);
  }
  return confirm(hand, step);
}

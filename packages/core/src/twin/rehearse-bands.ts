import type { Step } from '../procedure';
import { flameLevels, lightsView, switchCycles, switchView } from '../run';
import type { Hand } from './hand';
import { readScale, turnTwin } from './twin';

const MOST = 60;

/** Cycles of a switch marked as its contact changes; screws turned as the coach says until the band holds. */
export function markCycles(hand: Hand, step: Step): boolean {
  const wanted = step.purpose === 'as_left' ? hand.run.started.house_rules.proving_cycles : 1;
  const isDone = () => step.purpose === 'setting' ? switchView(hand.run, step).holds : switchCycles(hand.run, step.id).length >= wanted; // prettier-ignore
  for (let i = 0; i < MOST && !isDone(); i++) {
    const { move, next } = switchView(hand.run, step);
    if (move && 'turns' in move.move) {
      turn(hand, move.adjuster, move.move.turns);
      continue;
    }
    const contact = next.edge === 'cut_out' ? 0 : 1;
    // It must be on the other side first, so that the change itself is seen.
    if (!waitFor(hand, 1 - contact) || !waitFor(hand, contact)) return false;
    hand.add({ type: 'switched', step_id: step.id, role: 'inlet', edge: next.edge, cycle: Math.min(99, next.cycle), reading: { ...hand.read('inlet'), confirmed: true } });
  }
  if (isDone()) hand.add({ type: 'step_done', step_id: step.id });
  return isDone();
} // prettier-ignore

function waitFor(hand: Hand, contact: 0 | 1 | number): boolean {
  for (let i = 0; i < 1600 && readScale(hand.twin) !== contact; i++) hand.wait(0.25);
  return readScale(hand.twin) === contact;
}

/** Lights at the pressures the search asks for, purges after each failure, and leaves it in the middle. */
export function findEdges(hand: Hand, step: Step): boolean {
  for (let i = 0; i < MOST; i++) {
    const { search, middle } = lightsView(hand.run);
    const aim = search.isDone ? (middle.ok ? middle.value.pressure : undefined) : search.next?.pressure;
    if (aim === undefined) return false;
    bringTo(hand, step, aim);
    if (search.isDone) {
      hand.add({ type: 'step_done', step_id: step.id });
      return true;
    }
    const signal = readScale(hand.twin) ?? 0;
    const lit = signal > flameLevels.lit;
    hand.add({
      type: 'light_tried', step_id: step.id, role: 'outlet', reading: { ...hand.read('outlet'), confirmed: true }, lit,
      ...(lit && signal < flameLevels.good ? { weak: true } : {}),
    });
    if (!lit) {
      hand.wait(60);
      hand.add({ type: 'observed', key: 'purged', value: 'yes' });
    }
  }
  return false;
} // prettier-ignore

/** Turns until the manometer stands where it should, give or take two divisions. */
function bringTo(hand: Hand, step: Step, aim: number): void {
  const { resolution_pa: division } = hand.run.gauges.outlet!;
  for (let i = 0; i < 8; i++) {
    hand.settle('outlet');
    const now = hand.read('outlet').si;
    const { turns } = lightsView(hand.run, now);
    if (Math.abs(now - aim) <= 3 * division || !turns) return;
    turn(hand, step.adjuster!, Math.max(-2, Math.min(2, turns)));
  }
}

function turn(hand: Hand, adjuster: string, turns: number): void {
  hand.add({ type: 'turned', adjuster, turns });
  hand.moves += 1;
  hand.twin = turnTwin(hand.twin, adjuster, turns);
  hand.wait(4);
}

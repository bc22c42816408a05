import type { Mark, Step } from '../procedure';
import { captureCycles, captureView, countView, cyclesWanted, isWhole, openEndsOf, runView, searchView, settingView, type Run, type RunEvent } from '../run'; // prettier-ignore
import { chooseSpring } from '../valve';
import { Hand, type RehearsalOptions } from './hand';
import { findEdges, markCycles } from './rehearse-bands';
import { alignBySweep, tuneByStep } from './rehearse-control';
import { workDevice } from './rehearse-device';
import { setLinkage, takePoints } from './rehearse-points';
import { actOnTwin, isWideOpen, turnTwin, twinOutputs, type Twin } from './twin';

export type { RehearsalOptions };
export type Rehearsal = {
  readonly events: readonly RunEvent[];
  readonly run: Run;
  readonly twin: Twin;
  readonly moves: number;
};

const MOST_MOVES = 40;
/** s for a step that only waits. */
const LONG_WAIT = 180;
/** Carried out at the registers of an electronic pilot. */
const DEVICE_STEPS: ReadonlySet<Step['kind']> = new Set(['terminals', 'registers', 'stroke', 'self_tune']);

/**
 * A whole run carried out on a twin by the coach's own advice: history for the demo, and the
 * proof in tests that the procedure, the coach and the twin fit together.
 */
export function rehearse(options: RehearsalOptions): Rehearsal {
  const hand = new Hand(options);
  for (let guard = 0; guard < 200; guard++) {
    const { step } = runView(hand.run);
    if (!step || step.id === options.stopBefore) break;
    if (options.judge?.(step) === 'fails') {
      hand.add({ type: 'condemned', step_id: step.id, reason: step.fails ?? step.say });
      continue;
    }
    if (step.kind === 'set') {
      if (!setByCoach(hand, step, options.stopAfterTurns)) break;
    } else if (step.kind === 'linkage') {
      if (!setLinkage(hand, step, options.stopAfterTurns)) break;
    } else if (step.kind === 'switching') {
      if (!markCycles(hand, step)) break;
    } else if (DEVICE_STEPS.has(step.kind)) {
      if (!workDevice(hand, step)) break;
    } else if (step.kind === 'sweep') {
      if (!alignBySweep(hand, step)) break;
    } else if (step.kind === 'tune') {
      if (!tuneByStep(hand, step)) break;
    } else if (step.kind === 'edges') {
      if (!findEdges(hand, step)) break;
    } else if (step.kind === 'search') {
      if (!searchByEye(hand, step)) break;
    } else carryOut(hand, step);
  }
  return { events: hand.events, run: hand.run, twin: hand.twin, moves: hand.moves };
}

function carryOut(hand: Hand, step: Step): void {
  const stepDone = { type: 'step_done', step_id: step.id } as const;
  switch (step.kind) {
    case 'read':
      hand.settle(step.role!);
      takeReading(hand, step);
      return hand.add(stepDone);
    case 'table':
      for (let i = 0; i < 8; i++) {
        takeReading(hand, step, i * 8);
        hand.wait(8);
      }
      return hand.add(stepDone);
    case 'cycle': {
      const count =
        typeof step.count === 'string' ? hand.run.started.house_rules[step.count] : (step.count ?? 1);
      for (let i = 0; i < count; i++) {
        for (const positions of step.cycle ?? []) {
          hand.twin = actOnTwin(hand.twin, positions);
          hand.wait(14);
        }
        hand.add({ type: 'cycled', step_id: step.id });
      }
      return hand.add(stepDone);
    }
    case 'restore':
      for (const end of openEndsOf(hand.run)) {
        hand.twin = actOnTwin(hand.twin, end.restores);
        hand.wait(12);
        hand.add({ type: 'open_end_closed', open_end: end.id });
      }
      return hand.add(stepDone);
    case 'sign':
      return hand.add({ type: 'signed', name: hand.events[0]!.author, covers: hand.events.length });
    case 'count': {
      const { left } = countView(hand.run, step);
      if (left !== 0) turn(hand, step.adjuster!, left);
      return hand.add(stepDone);
    }
    case 'points':
      takePoints(hand, step);
      return hand.add(stepDone);
    case 'capture':
      captureByEye(hand, step);
      return hand.add(stepDone);
    case 'spring': {
      const { plate, target } = hand.run.started;
      const choice = chooseSpring(plate.springs, Math.abs(target.set_point_pa));
      const right = choice.ok ? choice.value[0]!.spring.colour : plate.fitted_spring;
      if (right !== plate.fitted_spring) {
        hand.add({ type: 'spring_changed', step_id: step.id, adjuster: step.adjuster!, colour: right });
        hand.twin = actOnTwin(hand.twin, { [`spring_${step.adjuster!}`]: right });
      }
      return hand.add(stepDone);
    }
    case 'ask':
    case 'clock':
      answer(hand, step);
      return hand.add(stepDone);
    case 'wait':
      hand.wait(LONG_WAIT);
      return hand.add(stepDone);
    case 'lock':
      hand.wait(10);
      return hand.add({ type: 'locked', step_id: step.id, adjuster: step.adjuster! });
    default:
      hand.twin = actOnTwin(hand.twin, step.does ?? {});
      hand.wait(16);
      return hand.add(stepDone);
  }
}

function takeReading(hand: Hand, step: Step, elapsed?: number): void {
  hand.add({
    type: 'reading',
    step_id: step.id,
    role: step.role!,
    purpose: step.purpose!,
    reading: { ...hand.read(step.role!), confirmed: true },
    settled: true,
    in_control: !isWideOpen(hand.twin),
    ...(elapsed === undefined ? {} : { elapsed_s: elapsed }),
  });
}

/** Turns as the coach says until it says done; false when it was told to stop half-way or is stuck. */
function setByCoach(hand: Hand, step: Step, stopAfterTurns = Number.POSITIVE_INFINITY): boolean {
  const adjuster = step.adjuster!;
  for (let i = 0; i < MOST_MOVES; i++) {
    hand.settle(step.role!);
    takeReading(hand, step);
    if (isWideOpen(hand.twin)) {
      hand.wait(20);
      continue;
    }
    if (deafTwice(hand, adjuster)) continue;
    const { move } = settingView(hand.run, adjuster);
    if (!move || move.kind === 'stuck') return false;
    if (move.kind === 'done') {
      hand.add({ type: 'step_done', step_id: step.id });
      return true;
    }
    if (hand.moves >= stopAfterTurns) return false;
    turn(hand, adjuster, move.turns);
  }
  return false;
}

function turn(hand: Hand, adjuster: string, turns: number): void {
  hand.add({ type: 'turned', adjuster, turns });
  hand.moves += 1;
  hand.twin = turnTwin(hand.twin, adjuster, turns);
  hand.wait(2);
}

/** What a practised hand answers: the flow as it runs, the outlets as they stand, what is in order. */
function answer(hand: Hand, step: Step): void {
  const asked = step.asks!;
  const numbers: Readonly<Record<string, number>> = {
    flow: Math.max(twinOutputs(hand.twin).flow, 0),
    outlets_normal: 4,
    outlets_open: 8,
  };
  const words: Readonly<Record<string, string>> = { gauge_moved: 'no', small_flow: 'yes', supply_ok: 'yes' };
  const value = numbers[asked.key] ?? words[asked.key] ?? asked.choices?.[0]?.value;
  if (value !== undefined) hand.add({ type: 'observed', key: asked.key, value });
}

/** Lift at which an eye sees the first dribble, and from which it calls the valve tight. */
const DRIBBLE = 0.02;
const TIGHT = 0.004;

/** Lowers in the moves advised until it dribbles; false when it never does. */
function searchByEye(hand: Hand, step: Step): boolean {
  const dribbles = () => twinOutputs(hand.twin).opening > DRIBBLE;
  for (let i = 0; i < MOST_MOVES && !dribbles(); i++) {
    const { move } = searchView(hand.run, step);
    const turns = move && 'turns' in move ? move.turns : undefined;
    if (turns === undefined) return false;
    turn(hand, step.adjuster!, turns);
    hand.wait(6);
  }
  if (!dribbles()) return false;
  mark(hand, step, 'cracked', 1);
  hand.add({ type: 'step_done', step_id: step.id });
  return true;
}

/** Up until it cracks and on to full flow, down until it is tight, as often as is asked for. */
function captureByEye(hand: Hand, step: Step): void {
  const { up, down } = step.ramp!;
  const lift = () => twinOutputs(hand.twin).opening;
  const until = (seen: () => boolean) => {
    for (let i = 0; i < 600 && !seen(); i++) hand.wait(0.5);
    return seen();
  };
  hand.twin = actOnTwin(hand.twin, down);
  until(() => lift() < TIGHT);
  for (let cycle = 1; cycle < 30; cycle++) {
    if (captureCycles(hand.run, step.id).filter(isWhole).length >= cyclesWanted(hand.run, step.id)) {
      const { move } = captureView(hand.run, step);
      if (move === undefined || !('turns' in move)) return;
      turn(hand, step.adjuster!, move.turns);
    }
    hand.twin = actOnTwin(hand.twin, up);
    if (!until(() => lift() > DRIBBLE)) return;
    mark(hand, step, 'cracked', cycle);
    hand.wait(12);
    mark(hand, step, 'full_flow', cycle);
    hand.twin = actOnTwin(hand.twin, down);
    if (!until(() => lift() < TIGHT)) return;
    mark(hand, step, 'reseated', cycle);
    hand.wait(20);
  }
}

function mark(hand: Hand, step: Step, name: Mark, cycle: number): void {
  hand.add({
    type: 'marked',
    step_id: step.id,
    role: step.role!,
    mark: name,
    cycle,
    reading: { ...hand.read(step.role!), confirmed: true },
  });
}

/** A screw that twice did nothing with the main full works the other way: said, as a technician would. */
function deafTwice(hand: Hand, adjuster: string): boolean {
  const { answer, dots } = settingView(hand.run, adjuster);
  if (answer !== 'no_change' || dots.length < 3 || adjuster in hand.run.directions) return false;
  const clockwise = settingView(hand.run, adjuster).prior.direction === 'lowers' ? 'raises' : 'lowers';
  hand.add({ type: 'direction_corrected', adjuster, clockwise });
  return true;
}

import { settling, type Settling } from '../coach';
import type { Sample } from '../numerics';
import { decimalsFor, fromSI, unitOf } from '../quantity';
import type { GaugeRole, Step } from '../procedure';
import {
  checkEvent, extendRun, openEndsOf, reduceRun, runView, settingView, type Reading, type Run, type RunEvent, type RunEventDraft,
} from '../run'; // prettier-ignore
import { unwrap } from '../result';
import { actOnTwin, advanceTwin, isWideOpen, readTwin, turnTwin, twinOutputs, type Twin } from './twin';

export type RehearsalOptions = {
  readonly started: Extract<RunEventDraft, { type: 'started' }>;
  readonly runId: string;
  readonly twin: Twin;
  readonly author: string;
  readonly startAtMs: number;
  readonly newId: (atMs: number) => string;
  /** Stop before this step, leaving the run as it is; undefined runs to the signature. */
  readonly stopBefore?: string;
  /** Stop after this many turns of the adjuster. */
  readonly stopAfterTurns?: number;
};
export type Rehearsal = {
  readonly events: readonly RunEvent[];
  readonly run: Run;
  readonly twin: Twin;
  readonly moves: number;
};

const MOST_MOVES = 25;
const SAMPLE = 0.5;

/**
 * A whole run carried out on a twin by the coach's own advice: history for the demo, and the
 * proof in tests that the procedure, the coach and the twin fit together.
 */
export function rehearse(options: RehearsalOptions): Rehearsal {
  const hand = new Hand(options);
  for (let guard = 0; guard < 200; guard++) {
    const { step } = runView(hand.run);
    if (!step || step.id === options.stopBefore) break;
    if (step.kind === 'set') {
      if (!setByCoach(hand, step, options.stopAfterTurns)) break;
    } else carryOut(hand, step);
  }
  return { events: hand.events, run: hand.run, twin: hand.twin, moves: hand.moves };
}

/** Writes events as a device would, with the twin's time as its clock. */
class Hand {
  readonly events: RunEvent[] = [];
  run: Run;
  twin: Twin;
  moves = 0;
  private readonly t0: number;

  constructor(private readonly options: RehearsalOptions) {
    this.twin = options.twin;
    this.t0 = options.twin.t;
    this.events.push(this.stamp(options.started));
    this.run = unwrap(reduceRun(this.events));
  }

  private stamp(draft: RunEventDraft): RunEvent {
    const atMs = Math.round(this.options.startAtMs + (this.twin.t - this.t0) * 1000);
    const { runId, author, newId } = this.options;
    return {
      ...draft, id: newId(atMs), run_id: runId, author, at_ms: atMs, lamport: this.events.length + 1,
    } as RunEvent; // prettier-ignore
  }

  add(draft: RunEventDraft): void {
    const refused = checkEvent(this.run, draft);
    if (refused) throw new Error(`rehearsal refused: ${draft.type} ${JSON.stringify(refused)}`);
    const event = this.stamp(draft);
    this.events.push(event);
    this.run = extendRun(this.run, event) ?? unwrap(reduceRun(this.events));
  }

  wait(seconds: number): void {
    this.twin = advanceTwin(this.twin, seconds);
  }

  read(role: GaugeRole): Reading {
    const gauge = this.run.gauges[role]!;
    const si = readTwin(this.twin, role) ?? 0;
    const decimals = decimalsFor(gauge.resolution_pa / unitOf(gauge.unit).factor);
    const text = fromSI(si, gauge.unit).toFixed(decimals);
    return { si, entered: { text, unit: gauge.unit }, gauge_id: gauge.id, source: 'linked' };
  }

  /** Watches the gauge until it has settled, or for five minutes. */
  settle(role: GaugeRole): Settling['state'] {
    const gauge = this.run.gauges[role]!;
    const samples: Sample[] = [];
    let state: Settling['state'] = 'too_few';
    for (let waited = 0; waited < 300 && state !== 'settled'; waited += SAMPLE) {
      this.wait(SAMPLE);
      samples.push({ t: this.twin.t, value: readTwin(this.twin, role) ?? 0 });
      if (samples.length % 4 === 0)
        state = settling(samples, gauge.resolution_pa, gauge.resolution_pa / 4).state;
    }
    return state;
  }
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
        step.count === 'bleed_cycles' ? hand.run.started.house_rules.bleed_cycles : (step.count ?? 1);
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
    case 'lock':
      hand.wait(10);
      return hand.add({ type: 'locked', step_id: step.id, adjuster: step.adjuster! });
    default:
      if (step.asks === 'flow')
        hand.add({ type: 'observed', key: 'flow', value: Math.max(twinOutputs(hand.twin).flow, 0) });
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
    hand.add({ type: 'turned', adjuster, turns: move.turns });
    hand.moves += 1;
    hand.twin = turnTwin(hand.twin, move.turns);
    hand.wait(2);
  }
  return false;
}

/** A screw that twice did nothing with the main full works the other way: said, as a technician would. */
function deafTwice(hand: Hand, adjuster: string): boolean {
  const { answer, dots } = settingView(hand.run, adjuster);
  if (answer !== 'no_change' || dots.length < 3 || adjuster in hand.run.directions) return false;
  const clockwise = hand.run.started.prior.direction === 'lowers' ? 'raises' : 'lowers';
  hand.add({ type: 'direction_corrected', adjuster, clockwise });
  return true;
}

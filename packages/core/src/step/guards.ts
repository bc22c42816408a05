import { instrumentRules, MAIN, minFlowFor, targetOf, type Target } from '../valve';
import {
  answered,
  atLeast,
  MET,
  noneLeft,
  type GuardName,
  type GuardOutcome,
  type GuardState,
} from './guard-names';
import { lastReading } from './last-reading';
import { openEndsOf, type RunState } from './run-state';
import type { Step } from './shapes';

type Guard = (run: RunState, step: Step) => GuardState;

const targetNow = (run: RunState, step: Step): Target =>
  targetOf(run.started, step.adjuster ?? MAIN) ?? run.started.target;
const supplyOf = (run: RunState) => lastReading(run, 'supply')?.reading.si;
const lineOf = (run: RunState) => lastReading(run, 'line')?.reading.si;

/** Every guard that a step may name: a name without one does not compile. */
const guards: Readonly<Record<GuardName, Guard>> = {
  inlet_above_target: (run, step) =>
    atLeast(
      supplyOf(run),
      targetNow(run, step).set_point_pa + run.started.plate.min_differential_pa,
    ),
  flow_above_min: (run) => {
    const flow = run.measured['flow'];
    // Judged by eye where it cannot be measured.
    if (flow === undefined && run.observed['flow_judged'] === 'strong') return MET;
    const { plate, house_rules: rules } = run.started;
    return atLeast(flow, minFlowFor(plate.size_dn, rules.min_flow));
  },
  /** Clearly more outlets open than in normal work. */
  overdemand: (run) => {
    const { outlets_normal: normal, outlets_open: open } = run.measured;
    if (normal === undefined || open === undefined) return { state: 'unknown' };
    return atLeast(open, normal * run.started.house_rules.overdemand_factor);
  },
  /** The pump runs above what is to be sustained, or there is nothing to sustain. */
  pump_above_target: (run, step) => atLeast(supplyOf(run), targetNow(run, step).set_point_pa),
  small_flow: ({ observed }) => answered(observed['small_flow'], 'yes'),
  supply_right: ({ observed }) => answered(observed['supply_ok'], 'yes'),
  line_at_target: (run, step) => {
    const { set_point_pa: set, tolerance_pa: tolerance } = targetNow(run, step);
    return atLeast(lineOf(run), set - tolerance);
  },
  gauge_stayed: ({ observed }) => answered(observed['gauge_moved'], 'no'),
  /** With the control shut off, suction must fall below the set point by a margin: else the gauge shows the system. */
  suction_below: (run, step) => {
    const line = lineOf(run);
    const margin = instrumentRules(run.started.house_rules).suction_margin_pa;
    const most = targetNow(run, step).set_point_pa - margin;
    if (line === undefined) return { state: 'unknown' };
    return line <= most ? MET : { state: 'unmet', have: line, want: most };
  },
  no_open_ends: (run) => noneLeft(openEndsOf(run).length),
};

/** Outcomes of the guards that a step names and that do not hold. */
export const unmetNeeds = (run: RunState, step: Step): readonly GuardOutcome[] =>
  (step.needs ?? [])
    .map((guard) => ({ guard, ...guards[guard](run, step) }))
    .filter(({ state }) => state !== 'met');

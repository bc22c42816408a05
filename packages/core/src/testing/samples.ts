import { procedureOf, ratePriors, type ReducingPlate } from '../family';
import type { Gauge } from '../gauge';
import { kPa } from '../quantity';
import type { EventOf, RunEvent, RunEventDraft } from '../run';
import { rehearse, twinOf, type Rehearsal, type RehearsalOptions } from '../twin';
import { defaultHouseRules, type Target, type TwinFault } from '../valve';

/** Sample plate, target, gauges and runs that many tests start from. */
export const plate: ReducingPlate = {
  family: 'reducing',
  size_dn: 80,
  outlet_rating_pa: kPa(1000),
  inlet_rating_pa: kPa(1600),
  springs: [
    { colour: 'white', from_pa: kPa(20), to_pa: kPa(180), rate_pa_per_turn: kPa(60) },
    { colour: 'green', from_pa: kPa(100), to_pa: kPa(700), rate_pa_per_turn: kPa(180) },
    { colour: 'red', from_pa: kPa(400), to_pa: kPa(1400), rate_pa_per_turn: kPa(350) },
  ],
  fitted_spring: 'green',
  clockwise: 'raises',
  travel_turns: 8,
  min_differential_pa: kPa(80),
  accessories: ['strainer'],
};

export const target: Target = {
  set_point_pa: kPa(520),
  tolerance_pa: kPa(15),
  limit_pa: kPa(660),
  why: 'The gun line needs it.',
};

export const gauge = (tag: string, highKPa: number, over: Partial<Gauge> = {}): Gauge => ({
  id: tag.toLowerCase(),
  tag,
  range_low_pa: 0,
  range_high_pa: kPa(highKPa),
  resolution_pa: kPa(2),
  accuracy_fraction: 0.0025,
  calibrated_on: '2026-01-10',
  calibration_due_on: '2027-01-10',
  unit: 'kPa',
  height_above_tapping_m: 0,
  ...over,
});
export const gauges = { inlet: gauge('G-04', 1600), outlet: gauge('G-12', 1000) };

export type StartedDraft = Extract<RunEventDraft, { type: 'started' }>;
export const startedDraft = (over: Partial<StartedDraft> = {}): StartedDraft => ({
  type: 'started',
  valve_id: 'prv-1',
  valve_tag: 'PRV-1',
  valve_name: 'Test line',
  plate,
  target,
  school: 'from_zero',
  procedure_version: procedureOf('reducing').version,
  gauges,
  house_rules: defaultHouseRules,
  priors: ratePriors(plate, () => [], defaultHouseRules),
  sheet_version: 3,
  ...over,
});

export const startAtMs = Date.UTC(2026, 10, 2, 8, 0);
export const stamp = (
  draft: RunEventDraft,
  lamport: number,
  over: Partial<RunEvent> = {},
): RunEvent =>
  ({
    ...draft,
    id: `e${String(lamport).padStart(5, '0')}`,
    run_id: 'run-1',
    author: 'Ines',
    at_ms: startAtMs + lamport * 1000,
    lamport,
    ...over,
  }) as RunEvent;

/** A whole run on a twin of the sample plate. */
export function rehearsed(
  options: {
    readonly seed?: number;
    readonly faults?: readonly TwinFault[];
    readonly stopBefore?: string;
    readonly stopAfterTurns?: number;
    readonly over?: Partial<StartedDraft>;
  } = {},
): Rehearsal {
  const { seed = 1, faults = [], over = {}, ...stops } = options;
  const started = startedDraft({
    twin: { seed, faults: [...faults], found_pa: kPa(560) },
    ...over,
  });
  return rehearsedDraft(started, stops);
}

/** Any start, carried out on its twin. */
export function rehearsedDraft(
  started: StartedDraft,
  more: Partial<RehearsalOptions> = {},
): Rehearsal {
  let count = 0;
  return rehearse({
    started,
    runId: 'run-1',
    twin: twinOf(stamp(started, 1) as EventOf<'started'>)!,
    author: 'Ines',
    startAtMs,
    newId: () => `e${String(++count).padStart(5, '0')}`,
    ...more,
  });
}

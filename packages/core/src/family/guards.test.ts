import { rankCauses, type Evidence } from '../coach';
import { unwrap } from '../result';
import { reduceRun, type Run } from '../run';
import {
  sharedConditions,
  sharedGuards,
  unmetNeeds,
  type GuardName,
  type OpenEnd,
  type Purpose,
  type Step,
  type TakenReading,
} from '../step';
import { familySamples } from '../testing/family-samples';
import { stamp, startedDraft } from '../testing/samples';
import { procedureOf, procedures, type Plate } from './list';

const begun = unwrap(reduceRun([stamp(startedDraft(), 1)]));
const act: Step = { id: 'x', phase: 'park', kind: 'act', say: 'Do it' };
const reading = (purpose: Purpose, si: number): TakenReading => ({
  eventId: 'e',
  stepId: 'x',
  role: 'inlet',
  purpose,
  adjuster: undefined,
  reading: { si, entered: { text: '0', unit: 'kPa' }, gauge_id: 'g', source: 'typed' },
  settled: true,
  atMs: 0,
  elapsed: undefined,
  between: undefined,
});
const supply = (si: number): Partial<Run> => ({ readings: [reading('supply', si)] });
const line = (si: number): Partial<Run> => ({ readings: [reading('line', si)] });
const open: OpenEnd = {
  id: 'gauges',
  say: 'Gauges on',
  putBack: 'Gauges off',
  restores: {},
  state: 'open',
  madeAtMs: 0,
};
const outcome = (needs: readonly GuardName[], over: Partial<Run>) =>
  unmetNeeds({ ...begun, ...over }, { ...act, needs });

describe('guards', () => {
  test.each<[GuardName, Partial<Run>, 'met' | 'unmet' | 'unknown']>([
    ['inlet_above_target', {}, 'unknown'],
    ['inlet_above_target', supply(599_999), 'unmet'],
    ['inlet_above_target', supply(600_000), 'met'],
    ['flow_above_min', {}, 'unknown'],
    ['flow_above_min', { measured: { flow: 1.399e-3 } }, 'unmet'],
    ['flow_above_min', { measured: { flow: 1.4e-3 } }, 'met'],
    ['flow_above_min', { observed: { flow_judged: 'strong' } }, 'met'],
    ['flow_above_min', { observed: { flow_judged: 'weak' } }, 'unknown'],
    ['flow_above_min', { measured: { flow: 1e-3 }, observed: { flow_judged: 'strong' } }, 'unmet'],
    ['overdemand', {}, 'unknown'],
    ['overdemand', { measured: { outlets_normal: 4 } }, 'unknown'],
    ['overdemand', { measured: { outlets_normal: 4, outlets_open: 7 } }, 'unmet'],
    ['overdemand', { measured: { outlets_normal: 4, outlets_open: 8 } }, 'met'],
    ['pump_above_target', {}, 'unknown'],
    ['pump_above_target', supply(519_999), 'unmet'],
    ['pump_above_target', supply(520_000), 'met'],
    ['small_flow', {}, 'unknown'],
    ['small_flow', { observed: { small_flow: 'no' } }, 'unmet'],
    ['small_flow', { observed: { small_flow: 'yes' } }, 'met'],
    ['supply_right', {}, 'unknown'],
    ['supply_right', { observed: { supply_ok: 'no' } }, 'unmet'],
    ['supply_right', { observed: { supply_ok: 'yes' } }, 'met'],
    ['line_at_target', {}, 'unknown'],
    ['line_at_target', line(504_999), 'unmet'],
    ['line_at_target', line(505_000), 'met'],
    ['gauge_stayed', {}, 'unknown'],
    ['gauge_stayed', { observed: { gauge_moved: 'yes' } }, 'unmet'],
    ['gauge_stayed', { observed: { gauge_moved: 'no' } }, 'met'],
    ['suction_below', {}, 'unknown'],
    ['suction_below', line(460_001), 'unmet'],
    ['suction_below', line(460_000), 'met'],
    ['no_open_ends', { openEnds: [open] }, 'unmet'],
    ['no_open_ends', { openEnds: [{ ...open, state: 'left' }] }, 'met'],
    ['no_open_ends', {}, 'met'],
  ])('%s with %j is %s', (name, over, state) => {
    expect(outcome([name], over)[0]?.state ?? 'met').toBe(state);
  });

  test('what is not met is named, with what there is and what is wanted', () => {
    const measured = { outlets_normal: 4, outlets_open: 5 };
    expect(outcome(['overdemand', 'no_open_ends'], { measured })).toEqual([
      { guard: 'overdemand', state: 'unmet', have: 5, want: 8 },
    ]);
    expect(unmetNeeds(begun, act)).toEqual([]);
  });

  test('every guard is used by some procedure', () => {
    const used = new Set(
      procedures.flatMap(({ steps }) => steps.flatMap(({ needs }) => needs ?? [])),
    );
    expect(sharedGuards.filter((name) => !used.has(name))).toEqual([]);
  });
});

describe('conditions', () => {
  test.each<[string, keyof typeof familySamples, boolean]>([
    ['combined', 'combined', true],
    ['combined', 'sustaining', false],
    ['has_compensator', 'hydraulic', true],
    ['has_cross_ports', 'hydraulic', true],
    ['has_cross_ports', 'gas', false],
    ['no_approval', 'gas', true],
  ])('%s of %s is %s', (name, sample, holds) => {
    expect(sharedConditions[name]!(familySamples[sample].plate as Plate)).toBe(holds);
  });
});

describe('a gauge that does not answer', () => {
  const first = (family: Plate['family'], evidence: Evidence) =>
    rankCauses(procedureOf(family).causes, evidence)[0]!.cause.id;
  test.each<[Plate['family'], Evidence, string]>([
    ['sustaining', { answer: 'no_change', flow: 'weak', trend: 'still' }, 'demand_weak'],
    [
      'sustaining',
      { answer: 'no_change', flow: 'strong', passing: 'quiet', travel: 'high_end' },
      'above_dead_head',
    ],
    ['sustaining', { answer: 'no_change', selector: 'elsewhere', flow: 'strong' }, 'selector_off'],
    ['relief_pilot', { answer: 'no_change', supply: 'low' }, 'line_low'],
    ['relief_pilot', { answer: 'no_change', supply: 'ok', sensing: 'shut' }, 'sensing_shut'],
    [
      'relief_pilot',
      { answer: 'no_change', supply: 'ok', sensing: 'open', outlet: 'shut' },
      'outlet_shut',
    ],
    ['relief_spring', { answer: 'no_change', throttle: 'open' }, 'throttle_open'],
    ['relief_spring', { answer: 'no_change', throttle: 'shut', leak: 'yes' }, 'leak'],
    ['hydraulic', { answer: 'no_change', compensator: 'low' }, 'other_rules'],
    ['hydraulic', { answer: 'no_change', compensator: 'up', leak: 'yes' }, 'not_deadheaded'],
    ['hydraulic', { answer: 'wrong_way', compensator: 'up' }, 'reversed'],
    ['gas', { answer: 'too_little', trend: 'creeping_up' }, 'slow'],
    ['gas', { answer: 'no_change', flow: 'none', trend: 'still' }, 'no_small_flow'],
    ['gas', { answer: 'no_change', flow: 'ok', trend: 'still', vent_clear: 'no' }, 'vent_blocked'],
    ['self_operated', { answer: 'no_change', control: 'shut' }, 'control_shut'],
    ['self_operated', { answer: 'no_change', control: 'open', by_pass: 'open' }, 'by_pass_open'],
  ])('%s: %j is most likely %s', (family, evidence, cause) => {
    expect(first(family, evidence)).toBe(cause);
  });
});

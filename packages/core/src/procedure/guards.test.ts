import { familySamples } from '../testing/family-samples';
import { plate as reducing, target } from '../testing/samples';
import { rankCauses, type Evidence } from '../coach';
import { defaultHouseRules as rules, type Plate } from '../valve';
import { conditions, guards, unmetGuards, type ProcedureFacts } from './guards';
import { procedureOf } from './registry';

const facts: ProcedureFacts = {
  plate: reducing,
  target,
  rules,
  inlet: undefined,
  outlet: undefined,
  line: undefined,
  flow: undefined,
  flowJudged: undefined,
  settingDone: false,
  openEnds: [],
  measured: {},
  observed: {},
  hasCracked: false,
  cyclesCaptured: 0,
  cyclesWanted: 3,
  pointsLeft: 0,
  linkageHolds: false,
  edgesFound: false,
  switchCycles: 0,
  bandHolds: false,
  isAligned: false,
  isTuned: false,
  voltsLeft: false,
  terminalsLeft: 0,
  registersLeft: 0,
  strokeFound: false,
  isTunedForTrim: false,
  springNow: 'green',
};

describe('guards', () => {
  test.each<[string, Partial<ProcedureFacts>, 'met' | 'unmet' | 'unknown']>([
    ['inlet_above_target', {}, 'unknown'],
    ['inlet_above_target', { inlet: 599_999 }, 'unmet'],
    ['inlet_above_target', { inlet: 600_000 }, 'met'],
    ['flow_above_min', {}, 'unknown'],
    ['flow_above_min', { flow: 1.3e-3 }, 'unmet'],
    ['flow_above_min', { flow: 1.4e-3 }, 'met'],
    ['flow_above_min', { flowJudged: 'strong' }, 'met'],
    ['flow_above_min', { flowJudged: 'weak' }, 'unknown'],
    ['set_in_lane', {}, 'unmet'],
    ['set_in_lane', { settingDone: true }, 'met'],
    ['has_cracked', {}, 'unmet'],
    ['has_cracked', { hasCracked: true }, 'met'],
    ['cycles_captured', { cyclesCaptured: 2 }, 'unmet'],
    ['cycles_captured', { cyclesCaptured: 3 }, 'met'],
    ['overdemand', {}, 'unknown'],
    ['overdemand', { measured: { outlets_normal: 4 } }, 'unknown'],
    ['overdemand', { measured: { outlets_normal: 4, outlets_open: 5 } }, 'unmet'],
    ['overdemand', { measured: { outlets_normal: 4, outlets_open: 6 } }, 'met'],
    ['pump_above_target', { inlet: 500_000 }, 'unmet'],
    ['pump_above_target', { inlet: 900_000 }, 'met'],
    ['small_flow', {}, 'unknown'],
    ['small_flow', { observed: { small_flow: 'no' } }, 'unmet'],
    ['small_flow', { observed: { small_flow: 'yes' } }, 'met'],
    ['line_at_target', {}, 'unknown'],
    ['line_at_target', { line: 500_000 }, 'unmet'],
    ['line_at_target', { line: 506_000 }, 'met'],
    ['gauge_stayed', {}, 'unknown'],
    ['gauge_stayed', { observed: { gauge_moved: 'yes' } }, 'unmet'],
    ['gauge_stayed', { observed: { gauge_moved: 'no' } }, 'met'],
    ['right_spring', {}, 'met'],
    ['right_spring', { springNow: 'white' }, 'unmet'],
    ['no_open_ends', { openEnds: ['gauges'] }, 'unmet'],
    ['no_open_ends', {}, 'met'],
  ])('%s with %j is %s', (name, over, state) => {
    expect(guards[name]!({ ...facts, ...over }).state).toBe(state);
  });

  test('what is not met is named, with what there is and what is wanted', () => {
    const measured = { outlets_normal: 4, outlets_open: 5 };
    expect(unmetGuards(['overdemand', 'no_open_ends'], { ...facts, measured })).toEqual([
      { guard: 'overdemand', state: 'unmet', have: 5, want: 6 },
    ]);
    expect(unmetGuards(undefined, facts)).toEqual([]);
  });

  test('every guard is used by some procedure', () => {
    const used = new Set(
      [reducing, ...Object.values(familySamples).map(({ plate }) => plate as Plate)].flatMap(({ family }) =>
        procedureOf(family).steps.flatMap(({ needs }) => needs ?? []),
      ),
    );
    expect(Object.keys(guards).filter((name) => !used.has(name))).toEqual([]);
  });
});

describe('conditions', () => {
  test.each<[string, keyof typeof familySamples, boolean]>([
    ['combined', 'combined', true],
    ['combined', 'sustaining', false],
    ['has_compensator', 'hydraulic', true],
    ['has_cross_ports', 'hydraulic', true],
    ['has_cross_ports', 'gas', false],
    ['vacuum', 'vacuum', true],
    ['vacuum', 'relief_spring', false],
    ['pilot_loaded', 'gas', true],
    ['no_approval', 'gas', true],
  ])('%s of %s is %s', (name, sample, holds) => {
    expect(conditions[name]!(familySamples[sample].plate as Plate)).toBe(holds);
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
    ['relief_pilot', { answer: 'no_change', supply: 'ok', sensing: 'open', outlet: 'shut' }, 'outlet_shut'],
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

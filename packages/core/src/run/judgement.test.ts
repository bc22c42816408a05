import { fillSlots } from '../family';
import { unwrap } from '../result';
import {
  flameOf,
  registersView,
  settingView,
  stepsOfKind,
  strokeVerdict,
  takenPoint,
} from '../step';
import { rehearsedFamily, type SampleName } from '../testing/family-samples';
import { rehearsed } from '../testing/samples';
import {
  defaultHouseRules,
  defaultJudgement,
  houseRulesSchema,
  type JudgementRules,
} from '../valve';
import type { RunEvent } from './event';
import { proofsOf } from './proofs';
import { extendRun } from './reduce';
import type { Run } from './run';
import { settingsLeft } from './settings-left';

/** The run as it would be, had it been begun in a house that judges so. */
const judgedBy = (run: Run, over: Partial<JudgementRules>): Run => ({
  ...run,
  started: {
    ...run.started,
    house_rules: { ...run.started.house_rules, judgement: { ...defaultJudgement, ...over } },
  },
});

const stopped = (name: SampleName, stopBefore: string): Run =>
  rehearsedFamily(name, {}, { stopBefore }).run;

const withEvent = (run: Run, event: object): Run =>
  extendRun(run, {
    id: 'x-1',
    run_id: run.id,
    author: 'Ines',
    at_ms: run.lastAtMs + 1000,
    lamport: run.lamport + 1,
    ...event,
  } as RunEvent)!;

const { run: sound } = rehearsed({ seed: 3 });
const text = (said: string, over: Partial<JudgementRules>): string =>
  fillSlots(
    said,
    { ...sound.started, rules: judgedBy(sound, over).started.house_rules, gauges: {} },
    { pressure: String, flow: String },
  );

describe('how sure and how near is the owner’s to say', () => {
  test('how well a height is known, and how well an eye catches a dribble, stand in the uncertainty', () => {
    const outlet = { ...sound.gauges.outlet!, height_above_tapping_m: 2 };
    const hung: Run = { ...sound, gauges: { ...sound.gauges, outlet } };
    const part = (run: Run, from: string) =>
      settingsLeft(run)[0]!.parts!.find((each) => each.from === from)?.standard;
    expect(part(judgedBy(hung, { height_known_m: 0.5 }), 'height')).toBeCloseTo(
      10 * part(hung, 'height')!,
      6,
    );
    const { run: relief } = rehearsedFamily('relief_pilot');
    const byEye = part(relief, 'eye')!;
    expect(part(judgedBy(relief, { eye_divisions: 2 }), 'eye')).toBeCloseTo(4 * byEye, 6);
  });

  test('how sure a setting must be before it is done', () => {
    const at = rehearsed({ seed: 3, stopBefore: 'tighten' }).run;
    const moveOf = (run: Run) => settingView(run, 'main').move?.kind;
    expect(moveOf(at)).toBe('done');
    expect(moveOf(judgedBy(at, { done_sure: 1.01 }))).not.toBe('done');
  });

  test('how sure the shape of a rise must be before it passes', () => {
    const verdict = (run: Run) =>
      proofsOf(run, []).find(({ proof }) => proof === 'no_flow')!.verdict;
    expect(verdict(judgedBy(sound, { no_flow_sure: 0.5 }))).toBe('pass');
    expect(verdict(judgedBy(sound, { no_flow_sure: 1.01 }))).toBe('pass_without_margin');
  });

  test('how much of a stroke may be missing', () => {
    const stroked = withEvent(stopped('electronic_pilot', 'stroke'), {
      type: 'stroked',
      step_id: 'stroke',
      closed: 301,
      open: 2500,
      seconds: 20,
      source: 'typed',
    });
    expect(strokeVerdict(stroked)).toBe('short');
    expect(strokeVerdict(judgedBy(stroked, { stroke_slack: 0.5 }))).toBe('whole');
  });

  test.each([
    [0.5, 'out', 'good'],
    [0.6, 'weak', 'good'],
    [0.65, 'good', 'good'],
  ])(
    'what a flame signal of %d says, by the ordinary levels and by lower ones',
    (signal, now, then) => {
      const said = (run: Run) => {
        const { lit, weak } = flameOf(run, signal);
        return lit ? (weak ? 'weak' : 'good') : 'out';
      };
      expect(said(sound)).toBe(now);
      expect(said(judgedBy(sound, { flame_lit: 0.2, flame_good: 0.3 }))).toBe(then);
    },
  );

  test('where a positioner’s output begins, and where it reaches its supply', () => {
    const { run } = rehearsedFamily(
      'positioner',
      { school: 'end_points' },
      { stopBefore: 'end_points' },
    );
    const errorAt = (of: Run, at: number, output: number) =>
      takenPoint(of, {
        id: 'p',
        type: 'cal_point',
        step_id: 'end_points',
        at,
        output,
      } as never).share - at;
    const own = judgedBy(run, { signal_ends: 0.1 });
    // Both plates count 4 to 20 mA: 2 % is 4.32 mA, 5 % is 4.8 mA, 98 % is 19.68 mA, 95 % is 19.2 mA.
    expect(errorAt(run, 0, 0.00432)).toBeCloseTo(0, 9);
    expect(errorAt(own, 0, 0.0048)).toBeCloseTo(0, 9);
    expect(errorAt(run, 1, 0.01968)).toBeCloseTo(0, 9);
    expect(errorAt(own, 1, 0.0192)).toBeCloseTo(0, 9);
  });

  test('how far a clock may be off', () => {
    const { run } = rehearsedFamily('electronic_pilot');
    const step = stepsOfKind(run, 'registers').find(({ registers }) =>
      registers.includes('clock_minute'),
    )!;
    const held = run.records[step.id] as { readonly held: Record<string, { value: number }> };
    const off: Run = {
      ...run,
      records: {
        ...run.records,
        [step.id]: {
          ...held,
          held: {
            ...held.held,
            clock_minute: {
              ...held.held['clock_minute'],
              value: held.held['clock_minute']!.value + 4,
            },
          },
        },
      } as Run['records'],
    };
    const isRight = (of: Run) =>
      registersView(of, step, 0).find(({ key }) => key === 'clock_minute')!.isRight;
    expect([isRight(run), isRight(off)]).toEqual([true, false]);
    expect(isRight(judgedBy(off, { clock_slack_min: 6 }))).toBe(true);
  });

  test('what a step says of them is what the house says', () => {
    expect(text('{first_band}, {first_reset}, {signal_ends}', {})).toBe(
      '100 %, 0.1 min a repeat, 4 %',
    );
    const own = { first_band: 1.5, first_reset_min: 0.05, signal_ends: 0.035 };
    expect(text('{first_band}, {first_reset}, {signal_ends}', own)).toBe(
      '150 %, 0.05 min a repeat, 3.5 %',
    );
  });

  test('a run of before there were any is judged by the ordinary ones; a share past all is refused', () => {
    const { judgement: _, ...before } = defaultHouseRules;
    expect(unwrap({ ok: true, value: houseRulesSchema.parse(before) })).not.toHaveProperty(
      'judgement',
    );
    const judgement = { ...defaultJudgement, done_sure: 1 };
    expect(houseRulesSchema.safeParse({ ...before, judgement }).success).toBe(false);
  });
});

import { unwrap } from '../result';
import { freezeSheet } from '../sheet';
import {
  bandOfCycle,
  lightsLeft,
  lightsView,
  mustPurge,
  PURGED,
  stepOfKind,
  switchCycles,
  switchMarksOf,
  switchView,
} from '../step';
import { familyStarted, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { checkEvent } from './check-event';
import type { RunEventDraft } from './event';
import { reduceRun } from './reduce';
import { settingsLeft } from './settings-left';

const started = familyStarted;
const runOf = (name: SampleName, ...drafts: RunEventDraft[]) =>
  unwrap(reduceRun([stamp(started(name), 1), ...drafts.map((draft, i) => stamp(draft, i + 2))]));
const reading = (si: number) => ({
  si,
  entered: { text: String(si), unit: 'Pa' },
  gauge_id: 'g-50',
  source: 'typed' as const,
});
const switched = (
  edge: 'cut_in' | 'cut_out',
  cycle: number,
  kPa: number,
  step_id = 'set_band',
): RunEventDraft => ({
  type: 'switched',
  step_id,
  role: 'inlet',
  edge,
  cycle,
  reading: reading(kPa * 1000),
});
const tried = (kPa: number, lit: boolean, weak?: boolean): RunEventDraft => ({
  type: 'light_tried',
  step_id: 'find_edges',
  role: 'outlet',
  reading: reading(kPa * 1000),
  lit,
  ...(weak ? { weak } : {}),
});
const purged: RunEventDraft = { type: 'observed', key: PURGED, value: 'yes' };
const turned = (adjuster: string, turns: number): RunEventDraft => ({
  type: 'turned',
  adjuster,
  turns,
});
const stepOf = (run: ReturnType<typeof runOf>, id: string) => stepOfKind(run, 'switching', id)!;

describe('a switch by its cycles', () => {
  test('a cycle is whole when it has made and broken', () => {
    const run = runOf('pressure_switch', switched('cut_out', 1, 690), switched('cut_in', 1, 610));
    expect(bandOfCycle(switchMarksOf(run, 'set_band'), 1)).toEqual({
      cutIn: 610_000,
      cutOut: 690_000,
    });
    expect(bandOfCycle(switchMarksOf(run, 'set_band'), 2)).toBeUndefined();
  });

  test('cut-out is asked for first, then cut-in of the same cycle, then the next', () => {
    const next = (...drafts: RunEventDraft[]) => {
      const run = runOf('pressure_switch', ...drafts);
      return switchView(run, stepOf(run, 'set_band')).next;
    };
    expect(next()).toEqual({ edge: 'cut_out', cycle: 1 });
    expect(next(switched('cut_out', 1, 690))).toEqual({ edge: 'cut_in', cycle: 1 });
    expect(next(switched('cut_out', 1, 690), switched('cut_in', 1, 610))).toEqual({
      edge: 'cut_out',
      cycle: 2,
    });
  });

  test('the scale is brought in before the differential', () => {
    const run = runOf('pressure_switch', switched('cut_out', 1, 690), switched('cut_in', 1, 610));
    const { move } = switchView(run, stepOf(run, 'set_band'));
    expect(move?.adjuster).toBe('main');
    expect(move!.move).toMatchObject({ kind: expect.any(String) as string });
    expect('turns' in move!.move && move!.move.turns).toBeLessThan(0);
  });

  test('with the scale right, the differential is next', () => {
    const run = runOf('pressure_switch', switched('cut_out', 1, 630), switched('cut_in', 1, 550));
    const { move, holds } = switchView(run, stepOf(run, 'set_band'));
    expect(holds).toBe(false);
    expect(move?.adjuster).toBe('differential');
  });

  test('what was seen before a turn tells of another setting', () => {
    const run = runOf(
      'pressure_switch',
      switched('cut_out', 1, 690),
      switched('cut_in', 1, 610),
      turned('main', -0.5),
    );
    expect(switchCycles(run, 'set_band')).toEqual([]);
    expect(switchView(run, stepOf(run, 'set_band')).next).toEqual({ edge: 'cut_out', cycle: 2 });
  });

  test('as left is the mean of the proving cycles, for scale and differential alike', () => {
    const marks = [1, 2, 3].flatMap((cycle) => [
      switched('cut_out', cycle, 670 + cycle, 'as_left'),
      switched('cut_in', cycle, 550 - cycle, 'as_left'),
    ]);
    const left = settingsLeft(runOf('pressure_switch', ...marks));
    expect(left.map(({ spec }) => spec.id)).toEqual(['main', 'differential']);
    expect(left[0]!.asLeft).toBeCloseTo(548_000, 6);
    expect(left[1]!.asLeft).toBeCloseTo(124_000, 6);
    expect(left[0]!.method).toBe('by_pressure');
  });

  test('a subtractive one reads its scale at cut-out', () => {
    const draft = started('pressure_switch');
    const plate = { ...draft.plate, scale: 'subtractive', printed: '' } as typeof draft.plate;
    const events = [
      stamp({ ...draft, plate }, 1),
      stamp(switched('cut_out', 1, 690, 'as_left'), 2),
      stamp(switched('cut_in', 1, 600, 'as_left'), 3),
    ];
    expect(settingsLeft(unwrap(reduceRun(events)))[0]!.asLeft).toBe(690_000);
  });

  test('the sheet keeps its cycles and what it was found at', () => {
    const { run } = rehearsedFamily('pressure_switch');
    const body = unwrap(freezeSheet(run, null));
    expect(body.switch_cycles).toHaveLength(3);
    expect(body.settings[0]!.as_found_pa).toBeGreaterThan(560_000);
  });
});

describe('the edges of a flame in a run', () => {
  test('after a failed light no other is taken before the purge', () => {
    const failed = runOf('burner_pilot', tried(1.3, true), tried(0.8, false));
    expect(mustPurge(failed)).toBe(true);
    expect(checkEvent(failed, tried(1.2, true))).toEqual({ code: 'run.purge_first' });
    const clean = runOf('burner_pilot', tried(1.3, true), tried(0.8, false), purged);
    expect(mustPurge(clean)).toBe(false);
    expect(checkEvent(clean, tried(1.2, true))).toBeUndefined();
  });

  test('a light that burns wants no purge, weak or not', () => {
    expect(mustPurge(runOf('burner_pilot', tried(1.3, true, true)))).toBe(false);
  });

  test('the count of tries is enforced', () => {
    const many = Array.from({ length: 24 }, () => tried(1.3, true));
    const run = runOf('burner_pilot', ...many);
    expect(lightsLeft(run)).toBe(0);
    expect(checkEvent(run, tried(1.3, true))).toEqual({ code: 'run.lights_spent', most: 24 });
  });

  test('the next pressure lies outward of what lit, toward what failed', () => {
    const { search, turns } = lightsView(
      runOf('burner_pilot', tried(1.3, true), tried(0.6, false), purged),
      1300,
    );
    expect(search.next).toMatchObject({ seeks: 'low' });
    expect(search.next!.pressure).toBeLessThan(1300);
    expect(search.next!.pressure).toBeGreaterThan(600);
    expect(turns).toBeLessThan(0);
  });

  test('the step is not done while an edge is missing', () => {
    const run = runOf('burner_pilot', tried(1.3, true));
    expect(checkEvent(run, { type: 'step_done', step_id: 'find_edges' })).toMatchObject({
      guard: { guard: 'edges_found' },
    });
  });

  test('the sheet keeps every light and the margins', () => {
    const { run } = rehearsedFamily('burner_pilot');
    const { edges } = unwrap(freezeSheet(run, null));
    expect(edges!.to_low_pa).toBeGreaterThan(150);
    expect(edges!.to_high_pa).toBeGreaterThan(150);
    expect(edges!.lights.length).toBeLessThanOrEqual(20);
    expect(edges!.lights.some(({ lit }) => !lit)).toBe(true);
  });
});

describe('suction control', () => {
  const line = (kPa: number): RunEventDraft => ({
    type: 'reading',
    step_id: 'falls',
    role: 'inlet',
    purpose: 'line',
    reading: reading(kPa * 1000),
    settled: true,
  });
  const inControl: RunEventDraft = { type: 'step_done', step_id: 'in_control' };

  test('it is not set before suction falls below the set point by itself', () => {
    expect(checkEvent(runOf('suction', line(395)), inControl)).toMatchObject({
      guard: { guard: 'suction_below', have: 395_000, want: 340_000 },
    });
    expect(checkEvent(runOf('suction', line(340)), inControl)).toBeUndefined();
    expect(checkEvent(runOf('suction'), inControl)).toMatchObject({ guard: { state: 'unknown' } });
  });

  test('left alone, it is a sequence without a setting', () => {
    const { run } = rehearsedFamily('suction', { school: 'leave' });
    const body = unwrap(freezeSheet(run, null));
    expect(body).toMatchObject({ outcome: 'sequence_done', settings: [], verdict: null });
    expect(run.steps.some(({ kind }) => kind === 'set')).toBe(false);
  });

  test('the injection valve is only looked at', () => {
    const { steps } = runOf('suction');
    expect(steps.find(({ id }) => id === 'sealed')!.kind).toBe('check');
    expect(steps.some(({ adjuster }) => adjuster !== undefined && adjuster !== 'main')).toBe(false);
  });
});

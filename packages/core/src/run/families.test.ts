import { setPointOf } from '../plant';
import { unwrap } from '../result';
import { freezeSheet, sheetBodySchema } from '../sheet';
import {
  captureCycles,
  captureView,
  countView,
  isWhole,
  marksOf,
  openEndsOf,
  recordOf,
  searchView,
  settingView,
  stepOfKind,
  stepsOfKind,
} from '../step';
import { familyStarted, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { stamp, startAtMs } from '../testing/samples';
import { replayTwin, twinOutputs } from '../twin';
import { checkEvent, signingError } from './check-event';
import { runEventSchema, type RunEventDraft } from './event';
import { reduceRun } from './reduce';
import { runView } from './view';

const names: readonly SampleName[] = [
  'sustaining',
  'combined',
  'relief_pilot',
  'relief_spring',
  'vacuum',
  'hydraulic',
  'gas',
  'gas_by_spring',
  'self_operated',
  'back_pressure',
  'suction',
  'pressure_switch',
  'receiver_switch',
  'burner_pilot',
];
const runOf = (name: SampleName, ...drafts: RunEventDraft[]) =>
  unwrap(
    reduceRun([stamp(familyStarted(name), 1), ...drafts.map((draft, i) => stamp(draft, i + 2))]),
  );
const reading = (si: number) => ({
  si,
  entered: { text: String(si), unit: 'Pa' },
  gauge_id: 'g',
  source: 'typed' as const,
});
const marked = (
  step_id: string,
  mark: 'cracked' | 'full_flow' | 'reseated',
  cycle: number,
  si: number,
  over = {},
): RunEventDraft => ({
  type: 'marked',
  step_id,
  role: 'inlet',
  mark,
  cycle,
  reading: reading(si),
  ...over,
});

describe('a whole run on its twin', () => {
  test.each(names)('%s ends signed, within its lanes, with nothing open', (name) => {
    for (const seed of [3, 8]) {
      const draft = familyStarted(name);
      const { run, events } = rehearsedFamily(name, { twin: { ...draft.twin!, seed } });
      expect(run.status).toBe('signed');
      expect(openEndsOf(run)).toEqual([]);
      for (const event of events) expect(runEventSchema.parse(event)).toEqual(event);
      const body = unwrap(freezeSheet(run, null));
      expect(sheetBodySchema.parse(JSON.parse(JSON.stringify(body)))).toEqual(body);
      for (const { as_left_pa: left, target, verdict } of body.settings) {
        expect(Math.abs(left - target.set_point_pa)).toBeLessThanOrEqual(target.tolerance_pa);
        expect(verdict).toMatch(/^pass/);
      }
      expect(runView(run).step).toBeUndefined();
    }
  });

  test.each(['gas', 'gas_by_spring'] as const)(
    '%s in service is set from where it stands: nothing is shut but its load',
    (name) => {
      const { run } = rehearsedFamily(name, { school: 'live' });
      expect(run.status).toBe('signed');
      expect(openEndsOf(run)).toEqual([]);
      const [setting] = unwrap(freezeSheet(run, null)).settings;
      expect(setting!.verdict).toMatch(/^pass/);
      for (const id of ['inlet_shut', 'back_off', 'inlet_on'])
        expect(run.done).not.toHaveProperty(id);
      expect(run.observed['relit_by']).toBe('none');
    },
  );

  test.each(['pressure_switch', 'receiver_switch'] as const)(
    '%s set by its printed scale is verified by its contact, and holds',
    (name) => {
      const byScale = rehearsedFamily(name, { school: 'by_scale' });
      expect(byScale.run.status).toBe('signed');
      for (const { verdict } of unwrap(freezeSheet(byScale.run, null)).settings)
        expect(verdict).toMatch(/^pass/);
      // A scale is near, and it saves turns; it is never believed without a cycle.
      expect(byScale.moves).toBeLessThanOrEqual(rehearsedFamily(name).moves);
      const { twin } = rehearsedFamily(name, { school: 'by_scale' }, { stopBefore: 'set_band' });
      const target = familyStarted(name).target.set_point_pa;
      const stands = setPointOf(twin.screws['main']!, twin.screwParams['main']!);
      expect(Math.abs(stands / target - 1)).toBeLessThan(0.12);
      expect(stands).not.toBeCloseTo(target, -2);
    },
  );

  test.each(['load_card', 'load_slow_fan', 'load_outside_air', 'load_panel_off'])(
    'suction: what starved the coil, %s, is undone before the last reading',
    (id) => {
      const { events } = rehearsedFamily('suction', {}, { stopBefore: 'load_by' });
      const value = id.replace('load_', '');
      const answered = stamp({ type: 'observed', key: 'load_by', value }, events.length + 1);
      const done = stamp({ type: 'step_done', step_id: 'load_by' }, events.length + 2);
      const run = unwrap(reduceRun([...events, answered, done]));
      expect(runView(run).step?.id).toBe(id);
      const lowered = stamp({ type: 'step_done', step_id: id }, events.length + 3);
      const starved = unwrap(reduceRun([...events, answered, done, lowered]));
      expect(openEndsOf(starved).map((end) => end.id)).toContain(id);
      expect(starved.positions['load']).toBeLessThan(0.2);
      const back = stamp({ type: 'step_done', step_id: 'load_back' }, events.length + 4);
      const normal = unwrap(reduceRun([...events, answered, done, lowered, back]));
      expect(openEndsOf(normal).map((end) => end.id)).not.toContain(id);
      expect(normal.positions['load']).toBe(0.55);
    },
  );

  test('a combined valve is set sustaining first, and both stand on the sheet', () => {
    const { run } = rehearsedFamily('combined');
    expect(unwrap(freezeSheet(run, null)).settings.map(({ adjuster }) => adjuster)).toEqual([
      'main',
      'reducing',
    ]);
    expect(run.done['come_down']).toBeLessThan(run.done['come_up']!);
  });

  test('hydraulic settings go from the highest down, and the gauge is ruled by the one in hand', () => {
    const { run } = rehearsedFamily('hydraulic');
    const order = ['set_main', 'set_cross_a', 'set_cross_b', 'set_compensator'].map(
      (id) => run.done[id]!,
    );
    expect(order).toEqual([...order].sort((a, b) => a - b));
    const seen = settingView(run, 'compensator').dots;
    expect(Math.abs(seen[0]!.pressure - 23e6)).toBeLessThan(4e5);
    expect(Math.abs(seen.at(-1)!.pressure - 18.5e6)).toBeLessThan(3e5);
  });

  test('a vacuum is set by its size and written with its sign', () => {
    const { run } = rehearsedFamily('vacuum');
    const view = settingView(run, 'main');
    expect(view.sign).toBe(-1);
    expect(view.dots.at(-1)!.pressure).toBeGreaterThan(20_000);
    expect(unwrap(freezeSheet(run, null)).settings[0]!.as_left_pa).toBeLessThan(-20_000);
  });

  test('a twin comes back where the events left it, in the middle of a capture too', () => {
    const whole = rehearsedFamily('relief_pilot', {}, { stopBefore: 'lock_main' });
    const twin = replayTwin(whole.events)!;
    expect(twin.wanted['line']).toBe(whole.twin.wanted['line']);
    expect(twin.screws['main']!.position).toBeCloseTo(whole.twin.screws['main']!.position, 9);
    expect(Math.abs(twinOutputs(twin).inlet - twinOutputs(whole.twin).inlet)).toBeLessThan(30_000);
  });
});

describe('looking for a relief', () => {
  const lineRead: RunEventDraft = {
    type: 'reading',
    step_id: 'line',
    role: 'inlet',
    purpose: 'line',
    reading: reading(1_176_000),
    settled: true,
  };
  const parked: RunEventDraft = { type: 'step_done', step_id: 'park' };
  const step = stepsOfKind(runOf('relief_pilot'), 'search')[0]!;
  test('waits for the line to be read, then lowers, in moves that shrink', () => {
    expect(searchView(runOf('relief_pilot', parked), step).move).toBeUndefined();
    const sizes: number[] = [];
    const events: RunEventDraft[] = [parked, lineRead];
    for (let i = 0; i < 6; i++) {
      const { move } = searchView(runOf('relief_pilot', ...events), step);
      if (!move || !('turns' in move)) break;
      expect(move.turns).toBeLessThan(0);
      sizes.push(-move.turns);
      events.push({ type: 'turned', adjuster: 'main', turns: move.turns });
    }
    expect(sizes.length).toBe(6);
    expect(sizes.at(-1)!).toBeLessThan(sizes[0]!);
  });
  test('a dribble ends it, and only then may the step be passed', () => {
    const before = runOf('relief_pilot', parked, lineRead);
    expect(checkEvent(before, { type: 'step_done', step_id: step.id })).toMatchObject({
      code: 'run.guard_unmet',
    });
    const after = runOf('relief_pilot', parked, lineRead, marked(step.id, 'cracked', 1, 1_174_000));
    expect(searchView(after, step)).toMatchObject({ cracked: 1_174_000, move: undefined });
    expect(checkEvent(after, { type: 'step_done', step_id: step.id })).toBeUndefined();
  });
});

describe('a setting by count', () => {
  const school = { school: 'count_turns' };
  const { run } = rehearsedFamily('relief_pilot', school);
  const body = unwrap(freezeSheet(run, null));
  test('is recorded as such, with an uncertainty that grows with the turns', () => {
    expect(body.settings[0]).toMatchObject({ method: 'by_count' });
    const step = stepsOfKind(run, 'count')[0]!;
    const view = countView(run, step);
    expect(view.left).toBe(0);
    expect(view.here).toBeLessThan(1_000_000);
    expect(Math.abs(view.result! - 1_180_000)).toBeLessThan(20_000);
    const rateShare = 2 * 0.25 * view.stand.prior.rate * Math.abs(view.made);
    expect(view.uncertainty).toBeGreaterThan(rateShare);
    expect(view.uncertainty).toBeLessThan(rateShare * 1.3);
  });
});

describe('capturing cycles', () => {
  const step = stepOfKind(runOf('relief_pilot'), 'capture', 'prove_cycles')!;
  const cycle = (n: number, cracks: number) => [
    marked(step.id, 'cracked', n, cracks),
    marked(step.id, 'full_flow', n, cracks + 40_000),
    marked(step.id, 'reseated', n, cracks - 70_000),
  ];
  const three = [...cycle(1, 1_184_000), ...cycle(2, 1_180_000), ...cycle(3, 1_179_000)];
  test('three whole cycles are enough, and give their result', () => {
    const view = captureView(runOf('relief_pilot', ...three), step);
    expect(view).toMatchObject({ isEnough: true, move: undefined, wanted: 3, nextCycle: 4 });
    expect(view.result!.cracking).toBe(1_181_000);
    expect(captureView(runOf('relief_pilot', ...three.slice(0, 5)), step)).toMatchObject({
      isEnough: false,
      nextCycle: 2,
    });
  });
  test('a mark can be moved, the one it replaces is gone', () => {
    const events = [...three, marked(step.id, 'cracked', 2, 1_200_000, { replaces: 'e00005' })];
    expect(captureCycles(runOf('relief_pilot', ...events), step.id)[1]!.cracked).toBe(1_200_000);
    expect(marksOf(runOf('relief_pilot', ...events), step.id)).toHaveLength(9);
  });
  test('cracking outside the lane asks for a turn, and cycles before it count no more', () => {
    const low = [...cycle(1, 1_100_000), ...cycle(2, 1_102_000), ...cycle(3, 1_101_000)];
    const view = captureView(runOf('relief_pilot', ...low), step);
    expect(view.move).toMatchObject({ kind: 'turn' });
    expect(view.move && 'turns' in view.move && view.move.turns).toBeGreaterThan(0);
    const turned = runOf('relief_pilot', ...low, { type: 'turned', adjuster: 'main', turns: 0.25 });
    expect(captureCycles(turned, step.id).filter(isWhole)).toEqual([]);
    expect(captureView(turned, step)).toMatchObject({ isEnough: false, nextCycle: 4 });
  });
  test('a log gives its cycles at once, after those that are there', () => {
    const log: RunEventDraft = {
      type: 'log_taken',
      step_id: step.id,
      name: 'ramp.csv',
      samples: [[0, 1]],
      cycles: [
        { cracked: 1_180_000, reseated: 1_100_000, sure: 0.99 },
        { cracked: 1_182_000, sure: 0.95 },
      ],
    };
    const run = runOf('relief_pilot', ...cycle(1, 1_181_000), log);
    expect(captureCycles(run, step.id).map(({ cycle: n }) => n)).toEqual([1, 2, 3]);
    expect(recordOf(run, step).log).toEqual([[0, 1]]);
  });
});

describe('a valve that goes out of service', () => {
  const condemned: RunEventDraft = {
    type: 'condemned',
    step_id: 'seal',
    reason: 'Seal wire broken',
  };
  test('has nothing left to do but to put back and sign', () => {
    const run = runOf('gas', { type: 'step_done', step_id: 'fit_gauges' }, condemned);
    expect(run.steps.map(({ kind }) => kind)).toEqual(['restore', 'sign']);
    expect(signingError(run)).toMatchObject({ code: 'run.open_ends_left' });
  });
  test('is signed without a setting, and says why', () => {
    const { run } = rehearsedFamily(
      'gas',
      {},
      { judge: ({ id }) => (id === 'seal' ? 'fails' : 'sound') },
    );
    expect(unwrap(freezeSheet(run, null))).toMatchObject({
      outcome: 'out_of_service',
      verdict: null,
      settings: [],
      out_of_service_because: expect.stringContaining('Seal wire'),
    });
  });
});

describe('a sequence', () => {
  test('leaves no setting, and is signed all the same', () => {
    const { run } = rehearsedFamily('back_pressure', { school: 'shut_down' });
    expect(run.status).toBe('signed');
    expect(unwrap(freezeSheet(run, null))).toMatchObject({
      outcome: 'sequence_done',
      settings: [],
    });
    expect(run.signed!.at_ms).toBeGreaterThan(startAtMs);
  });
});

describe('a spring that is changed', () => {
  const wrong = {
    ...familyStarted('relief_spring').plate,
    springs: [
      { colour: 'yellow', from_pa: 5e3, to_pa: 18e3, rate_pa_per_turn: 2e3 },
      { colour: 'blue', from_pa: 15e3, to_pa: 38e3, rate_pa_per_turn: 4e3 },
    ],
    fitted_spring: 'yellow',
  } as never;
  test('must be the right one before the work goes on', () => {
    const run = unwrap(reduceRun([stamp(familyStarted('relief_spring', { plate: wrong }), 1)]));
    expect(checkEvent(run, { type: 'step_done', step_id: 'spring' })).toMatchObject({
      code: 'run.guard_unmet',
    });
  });
  test('gives the new rate to the coach and to the twin, and stands on the sheet', () => {
    const { run } = rehearsedFamily('relief_spring', { plate: wrong });
    expect(settingView(run, 'main').prior).toMatchObject({ rate: 4e3, from: 'spring' });
    const body = unwrap(freezeSheet(run, null));
    expect(body.plate.fitted_spring).toBe('blue');
    expect(Math.abs(body.settings[0]!.as_left_pa - 26_000)).toBeLessThanOrEqual(1000);
  });
});

test('an adjuster that the valve has not is refused', () => {
  expect(checkEvent(runOf('gas'), { type: 'turned', adjuster: 'cap', turns: 1 })).toEqual({
    code: 'run.unknown_adjuster',
    adjuster: 'cap',
  });
});

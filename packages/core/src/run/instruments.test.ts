import { unwrap } from '../result';
import { freezeSheet, sheetBodySchema } from '../sheet';
import {
  deadBandKey,
  linkageView,
  openEndsOf,
  passesKey,
  pointError,
  pointsOf,
  pointsView,
  recordOf,
  shareOf,
  stepsOfKind,
  tableOf,
} from '../step';
import { familyStarted, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { checkEvent, signingError } from './check-event';
import { runEventSchema, type RunEventDraft } from './event';
import { reduceRun } from './reduce';
import { runView } from './view';

const names: readonly SampleName[] = ['positioner', 'indicator', 'controller'];
const runOf = (name: SampleName, ...drafts: RunEventDraft[]) =>
  unwrap(
    reduceRun([stamp(familyStarted(name), 1), ...drafts.map((draft, i) => stamp(draft, i + 2))]),
  );
const point = (at: number, output: number, over = {}): RunEventDraft => ({
  type: 'cal_point',
  step_id: 'as_found',
  at,
  direction: 'up',
  pass: 1,
  output,
  entered: { text: String(output * 100), unit: '%' },
  source: 'typed',
  ...over,
});
const done = (step_id: string): RunEventDraft => ({ type: 'step_done', step_id });

describe('the ends of a positioner', () => {
  const { plate, twin } = familyStarted('positioner');
  const byEnds = (seed: number, faults: readonly string[] = []) =>
    rehearsedFamily('positioner', {
      plate: { ...plate, tolerance_span: 0.04 } as never,
      school: 'end_points',
      twin: { ...twin!, seed, faults: faults as never },
    });
  const setOf = (seeds: readonly number[], faults?: readonly string[]) =>
    seeds.filter((seed) => {
      const body = freezeSheet(byEnds(seed, faults).run, null);
      return body.ok && body.value.outcome === 'set';
    }).length;
  const seeds = Array.from({ length: 30 }, (_, i) => i + 1);

  test('come within their window though the signal often ends before they are met', () => {
    expect(setOf(seeds)).toBeGreaterThanOrEqual(29);
  });

  test('are found with a span screw that works the other way, in two of three', () => {
    expect(setOf(seeds, ['reversed_screw'])).toBeGreaterThanOrEqual(20);
  });

  test('are stops: beyond them the scale says nothing, between them all it shows counts', () => {
    const { run } = byEnds(1);
    const { result, points } = tableOf(run, 'as_left')!;
    const rows = unwrap(result).rows;
    expect(Math.max(...points.map(({ share }) => share))).toBeGreaterThan(1);
    expect(rows.at(-1)!.up).toBe(0);
    const middle = points.find(({ at, direction }) => at === 0.5 && direction === 'up')!;
    expect(rows.find(({ at }) => at === 0.5)!.up).toBeCloseTo(middle.share - 0.5, 9);
  });
});

describe('a whole run by points on its twin', () => {
  test.each(names)('%s ends signed, all points within tolerance, with nothing open', (name) => {
    for (const seed of [3, 8, 21]) {
      const draft = familyStarted(name);
      const { run, events, moves } = rehearsedFamily(name, { twin: { ...draft.twin!, seed } });
      expect(run.status).toBe('signed');
      expect(openEndsOf(run)).toEqual([]);
      for (const event of events) expect(runEventSchema.parse(event)).toEqual(event);
      const body = unwrap(freezeSheet(run, null));
      expect(sheetBodySchema.parse(JSON.parse(JSON.stringify(body)))).toEqual(body);
      expect(body.outcome).toBe('set');
      expect(body.verdict).toMatch(/^pass/);
      expect(Math.abs(body.tables!.as_found!.worst_error)).toBeGreaterThan(0.012);
      expect(Math.abs(body.tables!.as_left.worst_error)).toBeLessThanOrEqual(0.01);
      expect(body.tables!.as_left.points).toHaveLength(9);
      expect(moves).toBeLessThan(25);
    }
  });

  test('end points by output pressure come to an output that begins and saturates where it should', () => {
    const { run } = rehearsedFamily('positioner', { school: 'end_points' });
    expect(run.status).toBe('signed');
    const last = (at: number) => pointsOf(run, 'end_points').findLast((taken) => taken.at === at)!;
    expect(last(0).output).toBeLessThanOrEqual(0.004 + 0.04 * 0.016);
    expect(last(1).output).toBeGreaterThanOrEqual(0.02 - 0.04 * 0.016);
  });

  test('a controller is aligned by its sweep and dialled by its step test', () => {
    const { run } = rehearsedFamily('controller');
    const { control } = unwrap(freezeSheet(run, null));
    expect(control!.alignment_spread_pa).toBeLessThanOrEqual(1724);
    expect(control!.model!.gain).toBeGreaterThan(0.6);
    expect(control!.model!.time_constant_s).toBeGreaterThan(10);
    expect(control!.band_percent).toBeGreaterThan(10);
    const first = recordOf(run, stepsOfKind(run, 'sweep')[0]!)
      .bands.slice(0, 6)
      .map(({ output }) => output);
    expect(Math.max(...first) - Math.min(...first)).toBeGreaterThan(3400);
    expect(run.openEnds.map(({ id }) => id)).toEqual(expect.arrayContaining(['link', 'reset']));
  });

  test('reverse action: travel falls as the signal rises, and both ends hold all the same', () => {
    const draft = familyStarted('positioner');
    const { run } = rehearsedFamily('positioner', {
      plate: { ...draft.plate, action: 'reverse' } as typeof draft.plate,
    });
    expect(run.status).toBe('signed');
    const top = pointsOf(run, 'as_left').find(({ at }) => at === 1)!;
    expect(top.output).toBeCloseTo(0, 1);
    expect(top.share).toBeCloseTo(1, 1);
  });

  test('a span screw that works the other way is turned round and still set', () => {
    const draft = familyStarted('positioner');
    const { run } = rehearsedFamily('positioner', {
      twin: { ...draft.twin!, faults: ['reversed_screw'] },
    });
    expect(run.status).toBe('signed');
    expect(linkageView(run).perTurn.span).toBeLessThan(0);
  });
});

describe('a table of points in a run', () => {
  test('offers the next point, up and then down, and counts what is left', () => {
    const run = runOf('positioner', point(0, 0.01), point(0.25, 0.262));
    expect(pointsView(run, 'as_found').next).toEqual({ at: 0.5, direction: 'up', pass: 1 });
    expect(pointsView(run, 'as_found').left).toBe(7);
    expect(tableOf(run, 'as_found')?.result).toMatchObject({
      error: { code: 'prove.points_missing' },
    });
    expect(tableOf(run, 'as_left')).toBeUndefined();
  });

  test('the same point twice is refused, and a step with points missing is not done', () => {
    const run = runOf('positioner', point(0, 0.01));
    expect(checkEvent(run, point(0, 0.02))).toEqual({
      code: 'run.point_twice',
      at: 0,
      direction: 'up',
    });
    expect(checkEvent(run, point(0, 0.02, { direction: 'down' }))).toBeUndefined();
    expect(checkEvent(run, done('as_found'))).toMatchObject({
      code: 'run.guard_unmet',
      guard: { guard: 'points_whole', have: 8 },
    });
  });

  test('an undone point counts for nothing, and its place is offered again', () => {
    const taken = stamp(point(0, 0.4), 2);
    const events = [
      stamp(familyStarted('positioner'), 1),
      taken,
      stamp({ type: 'undone', undoes: taken.id }, 3),
    ];
    const run = unwrap(reduceRun(events));
    expect(pointsView(run, 'as_found').next).toMatchObject({ at: 0 });
    expect(run.linkage).toEqual([]);
  });

  test('reverse action counts output from the other end', () => {
    const { plate } = familyStarted('positioner');
    if (plate.family !== 'positioner') throw new Error('sample');
    expect(shareOf(plate, 0.3)).toBeCloseTo(0.3, 12);
    expect(shareOf({ ...plate, action: 'reverse' }, 0.3)).toBeCloseTo(0.7, 12);
  });

  test('zero and span are not done before both were read, nor signed without an as-left table', () => {
    const run = runOf('positioner', point(0, 0.03), point(1, 0.97));
    expect(linkageView(run).move).toMatchObject({ kind: 'turn' });
    expect(checkEvent(run, done('zero_span'))).toMatchObject({ guard: { guard: 'linkage_holds' } });
    const { run: signed } = rehearsedFamily('indicator');
    expect(signingError({ ...signed, records: {} })).toEqual({ code: 'run.sheet_has_no_as_left' });
  });

  test('a calibrator that cannot give the signal, or is too coarse, cannot judge', () => {
    const draft = familyStarted('positioner');
    const { sources, ...plain } = draft.gauges.inlet!;
    expect(sources).toBeDefined();
    const without = unwrap(reduceRun([stamp({ ...draft, gauges: { inlet: plain } }, 1)]));
    expect(pointError(without)).toBeUndefined();
    expect(linkageView(without).move).toEqual({ kind: 'cannot_judge' });
  });

  test('stopped half-way it stands at its step with its open ends', () => {
    const { run } = rehearsedFamily('positioner', {}, { stopAfterTurns: 1 });
    expect(runView(run).step?.id).toBe('zero_span');
    expect(openEndsOf(run).map(({ id }) => id)).toContain('signal_wire');
  });
});

describe('the same range once more, and the dead band', () => {
  const ways = [
    ...[0, 0.25, 0.5, 0.75, 1].map((at) => [at, 'up'] as const),
    ...[0.75, 0.5, 0.25, 0].map((at) => [at, 'down'] as const),
  ];
  const pass = (number: number, off: number) =>
    ways.map(([at, direction]) => point(at, at + off, { direction, pass: number }));
  const twice: RunEventDraft = { type: 'observed', key: passesKey('as_found'), value: 2 };

  test('asked for, all nine points come again, and the table waits for them', () => {
    const run = runOf('positioner', ...pass(1, 0.004), twice);
    expect(pointsView(run, 'as_found')).toMatchObject({
      passes: 2,
      left: 9,
      next: { at: 0, direction: 'up', pass: 2 },
    });
    expect(tableOf(run, 'as_found')!.result.ok).toBe(false);
    expect(checkEvent(run, point(0, 0.01, { pass: 2 }))).toBeUndefined();
    expect(checkEvent(run, point(0, 0.01))).toMatchObject({ code: 'run.point_twice' });
  });

  test('what both times differ by is the repeatability', () => {
    const run = runOf('positioner', ...pass(1, 0.004), twice, ...pass(2, 0.0065));
    const { table, next } = pointsView(run, 'as_found');
    expect(next).toBeUndefined();
    expect(table.ok && table.value.repeatability).toBeCloseTo(0.0025, 9);
  });

  test('both stand on the sheet where they were looked for, and nowhere else', () => {
    const plain = unwrap(freezeSheet(rehearsedFamily('positioner').run, null)).tables!;
    expect(plain.as_left.repeatability).toBeUndefined();
    const { events } = rehearsedFamily('positioner');
    const looked = stamp(
      { type: 'observed', key: deadBandKey('as_left'), value: 0.006 },
      events.at(-1)!.lamport,
    );
    const signed = { ...events.at(-1)!, lamport: looked.lamport + 1 };
    const run = unwrap(
      reduceRun([...events.slice(0, -1), { ...looked, run_id: signed.run_id }, signed]),
    );
    expect(unwrap(freezeSheet(run, null)).tables!.as_left.dead_band).toBe(0.006);
  });
});

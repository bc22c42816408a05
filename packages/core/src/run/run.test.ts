import fc from 'fast-check';
import { unwrap } from '../result';
import { ratePriors } from '../family';
import { openEndsOf, ratePrior, settingView, springName } from '../step';
import { gauges, plate, rehearsed, stamp, startAtMs, startedDraft } from '../testing/samples';
import { defaultHouseRules } from '../valve';
import { checkEvent, readingDoubt, signingError } from './check-event';
import {
  byOrder,
  mergeEvents,
  ratePriorSchema,
  runEventSchema,
  type RunEvent,
  type RunEventDraft,
} from './event';
import { extendRun, reduceRun } from './reduce';
import { readingSd, runView } from './view';

const started = stamp(startedDraft(), 1);
const runOf = (...drafts: RunEventDraft[]) =>
  unwrap(reduceRun([started, ...drafts.map((draft, i) => stamp(draft, i + 2))]));
const reading = (
  si: number,
  over: Partial<Extract<RunEventDraft, { type: 'reading' }>> = {},
): RunEventDraft => ({
  type: 'reading',
  step_id: 'come_up',
  role: 'outlet',
  purpose: 'setting',
  reading: {
    si,
    entered: { text: String(si / 1000), unit: 'kPa' },
    gauge_id: 'g-12',
    source: 'typed',
  },
  settled: true,
  ...over,
});
const turned = (turns: number): RunEventDraft => ({ type: 'turned', adjuster: 'main', turns });
const parked: RunEventDraft = { type: 'step_done', step_id: 'back_off' };
const shut: RunEventDraft = { type: 'step_done', step_id: 'shut_inlet' };
const whole = rehearsed().events;

describe('reduceRun', () => {
  test('needs a start, and only one', () => {
    expect(reduceRun([])).toEqual({ ok: false, error: { code: 'run.no_events' } });
    expect(reduceRun([stamp({ type: 'paused' }, 2)])).toEqual({
      ok: false,
      error: { code: 'run.not_started' },
    });
    const again = stamp(startedDraft(), 5);
    expect(reduceRun([started, again])).toEqual({
      ok: false,
      error: { code: 'run.started_twice', eventId: again.id },
    });
  });

  test('a confirmed step opens and closes its ends', () => {
    const opened = runOf(
      { type: 'step_done', step_id: 'shut_inlet' },
      { type: 'step_done', step_id: 'loosen_nut' },
    );
    expect(openEndsOf(opened).map(({ id }) => id)).toEqual(['inlet_isolator', 'lock_nut']);
    expect(opened.positions['inlet_isolator']).toBe(0);
    const closed = runOf(
      { type: 'step_done', step_id: 'shut_inlet' },
      { type: 'step_done', step_id: 'inlet_open' },
    );
    expect(openEndsOf(closed)).toEqual([]);
    expect(closed.positions['inlet_isolator']).toBe(1);
  });

  test('an end that is closed by hand puts its cock back; one that is left keeps its reason', () => {
    const run = runOf(
      { type: 'step_done', step_id: 'shut_outlet' },
      { type: 'step_done', step_id: 'fit_gauges' },
      { type: 'open_end_closed', open_end: 'outlet_isolator' },
      { type: 'open_end_left', open_end: 'gauges', reason: 'logging overnight' },
    );
    expect(run.positions['outlet_isolator']).toBe(1);
    expect(run.openEnds.map(({ state }) => state).sort()).toEqual(['closed', 'left']);
    expect(openEndsOf(run)).toEqual([]);
  });

  test('an own open end can be made, and an unknown one closed without harm', () => {
    const run = runOf(
      { type: 'open_end_made', open_end: 'fan', say: 'Fan guard off', put_back: 'Fan guard on' },
      { type: 'open_end_closed', open_end: 'nobody' },
    );
    expect(openEndsOf(run).map(({ say }) => say)).toEqual(['Fan guard off']);
  });

  test('undo withdraws an event, and undoing the undo brings it back', () => {
    const withdraw = (id: string): RunEventDraft => ({ type: 'undone', undoes: id });
    const once = runOf(turned(1), withdraw('e00002'));
    expect(once.marks['main']).toBeUndefined();
    const twice = runOf(turned(1), withdraw('e00002'), withdraw('e00003'));
    expect(twice.marks['main']).toHaveLength(1);
  });

  test('a picture keeps whose it is and the reading that it shows; one of no reading here is refused', () => {
    const picture = 'a'.repeat(64);
    const of = { type: 'pictured', step_id: 'come_up', picture, shows: 'gauge' } as const;
    const read = stamp(reading(410_000), 2);
    const run = runOf(reading(410_000), { ...of, of_reading: read.id });
    expect(run.pictures).toEqual([
      {
        picture,
        shows: 'gauge',
        stepId: 'come_up',
        reading: read.id,
        by: read.author,
        atMs: expect.any(Number),
      },
    ]);
    expect(checkEvent(run, { ...of, of_reading: read.id })).toBeUndefined();
    expect(checkEvent(run, of)).toBeUndefined();
    expect(checkEvent(run, { ...of, of_reading: 'another' })).toEqual({
      code: 'run.no_such_reading',
    });
  });

  test('pause, resume, note, gauge swap and giving up leave their mark', () => {
    const run = runOf(
      { type: 'paused' },
      { type: 'resumed' },
      { type: 'note', text: 'Strainer full of grit' },
      { type: 'gauge_swapped', role: 'outlet', gauge: { ...gauges.outlet, tag: 'G-20' } },
      { type: 'abandoned', reason: 'Main burst up the hill' },
    );
    expect(run).toMatchObject({ status: 'abandoned', abandonedBecause: 'Main burst up the hill' });
    expect(run.gauges.outlet?.tag).toBe('G-20');
    expect(run.formerGauges).toEqual([]);
    expect(run.notes[0]?.text).toContain('grit');
  });

  test('a gauge that is taken off stays known, and the work that is handed over names both hands', () => {
    const other = { ...gauges.outlet, id: 'g-20', tag: 'G-20' };
    const run = runOf(
      { type: 'step_done', step_id: 'shut_inlet' },
      { type: 'handed_over', to: 'Tomas', words: 'Guns off until three' },
      { type: 'gauge_swapped', role: 'outlet', gauge: other },
      { type: 'open_end_closed', open_end: openEndsOf(runOf(shut))[0]!.id },
      { type: 'handed_over', to: 'Edda' },
    );
    expect(run.formerGauges).toEqual([gauges.outlet]);
    expect(run.handovers).toMatchObject([
      {
        from: 'Ines',
        to: 'Tomas',
        words: 'Guns off until three',
        openEnds: [openEndsOf(runOf(shut))[0]!.say],
      },
      { from: 'Ines', to: 'Edda', openEnds: [] },
    ]);
    expect(run.handovers[1]).not.toHaveProperty('words');
    expect(checkEvent(run, reading(500_000))?.code).toBe('run.other_gauge');
  });

  test('a clock that is set back changes neither order nor end', () => {
    const run = unwrap(
      reduceRun([started, stamp(turned(1), 2, { at_ms: startAtMs - 9e6 }), stamp(reading(5e5), 3)]),
    );
    expect(run.lastAtMs).toBe(startAtMs + 3000);
    expect(run.marks['main']?.map(({ kind }) => kind)).toEqual(['turned', 'read']);
  });

  test('nothing after the signature counts', () => {
    const late = [...whole, stamp(turned(1), whole.length + 5)];
    const { eventCount: _a, lamport: _b, ...signed } = unwrap(reduceRun(whole));
    const { eventCount: _c, lamport: _d, ...after } = unwrap(reduceRun(late));
    expect(after).toEqual(signed);
  });
});

describe('order and merging', () => {
  test('events arrive in any order and tell the same run', () => {
    const wanted = unwrap(reduceRun(whole));
    fc.assert(
      fc.property(fc.shuffledSubarray([...whole], { minLength: whole.length }), (shuffled) => {
        expect(unwrap(reduceRun(shuffled))).toEqual(wanted);
      }),
      { seed: 31, numRuns: 15 },
    );
  });

  test('two outboxes merge to one list whichever comes first, and the same event twice is one', () => {
    fc.assert(
      fc.property(fc.subarray([...whole]), fc.subarray([...whole]), (a, b) => {
        const ab = mergeEvents(a, b);
        expect(ab).toEqual(mergeEvents(b, a));
        expect(new Set(ab.map(({ id }) => id)).size).toBe(ab.length);
        expect(ab).toEqual([...ab].sort(byOrder));
      }),
      { seed: 32, numRuns: 30 },
    );
  });

  test('adding one event is the same as starting over', () => {
    let run = unwrap(reduceRun(whole.slice(0, 1)));
    for (const event of whole.slice(1)) run = extendRun(run, event) ?? unwrap(reduceRun(whole));
    expect(run).toEqual(unwrap(reduceRun(whole)));
  });

  test('an undo or a late arrival asks to start over', () => {
    const run = runOf(turned(1));
    expect(extendRun(run, stamp({ type: 'undone', undoes: 'e00002' }, 3))).toBeUndefined();
    expect(extendRun(run, stamp(turned(1), 1))).toBeUndefined();
    expect(extendRun(run, { ...whole[0]!, lamport: 9 })).toBeUndefined();
    expect(extendRun(run, stamp(turned(1), 9))).toBeDefined();
  });

  test('extending a run leaves the one before as it was', () => {
    const before = runOf(reading(1e5));
    const copy = JSON.stringify(before);
    extendRun(before, stamp(reading(2e5), 9));
    expect(JSON.stringify(before)).toBe(copy);
  });

  test('no list of events breaks a run', () => {
    const draft = fc.oneof(
      fc.constantFrom<RunEventDraft>(
        { type: 'paused' },
        { type: 'resumed' },
        parked,
        turned(0.5),
        reading(3e5),
        { type: 'undone', undoes: 'e00003' },
        { type: 'abandoned', reason: 'x' },
        { type: 'signed', name: 'A', covers: 1 },
      ),
      fc
        .constantFrom(...(started.type === 'started' ? unwrap(reduceRun([started])).steps : []))
        .map<RunEventDraft>(({ id }) => ({ type: 'step_done', step_id: id })),
    );
    fc.assert(
      fc.property(fc.array(draft, { maxLength: 40 }), (drafts) => {
        const run = runOf(...drafts);
        const ids = run.openEnds.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        if (run.status === 'signed') expect(runView(run).step).toBeUndefined();
        for (const mark of run.marks['main'] ?? []) expect(mark.atMs).toBeGreaterThan(0);
      }),
      { seed: 33, numRuns: 120 },
    );
  });
});

describe('one reading of a gauge', () => {
  test('is as sure as what can be read off it, and as what it may be off', () => {
    const coarse = { ...gauges.outlet, resolution_pa: 4000, accuracy_fraction: 0.001 };
    expect(readingSd(coarse)).toBe(2000);
    expect(readingSd({ ...coarse, accuracy_fraction: 0.03 })).toBe(5000);
  });
});

describe('what may be added', () => {
  test('a figure beyond its gauge is asked about, and joins once it is confirmed', () => {
    const beyond = reading(1_400_000);
    expect(checkEvent(runOf(), beyond)).toMatchObject({ asks: true, gauge: 'G-12' });
    const { reading: read } = beyond as Extract<RunEventDraft, { type: 'reading' }>;
    expect(
      checkEvent(runOf(), { ...beyond, reading: { ...read, confirmed: true } } as RunEventDraft),
    ).toBeUndefined();
  });

  const check = (draft: RunEventDraft, ...before: RunEventDraft[]) =>
    checkEvent(runOf(...before), draft)?.code;

  test.each([
    [turned(0), 'coach.turn_of_nothing'],
    [turned(40), 'coach.turn_too_large'],
    [reading(1_400_000), 'run.beyond_gauge'],
    [reading(-20_000), 'run.negative_impossible'],
    [{ type: 'step_done', step_id: 'moonwalk' } as RunEventDraft, 'run.unknown_step'],
    [{ type: 'step_done', step_id: 'come_up' } as RunEventDraft, 'run.guard_unmet'],
    [{ type: 'signed', name: 'A', covers: 1 } as RunEventDraft, 'run.steps_left'],
  ])('%p is refused as %s', (draft, code) => {
    expect(check(draft)).toBe(code);
  });

  test('a value beyond the gauge is taken once it is confirmed', () => {
    const draft = reading(1_400_000) as Extract<RunEventDraft, { type: 'reading' }>;
    expect(check({ ...draft, reading: { ...draft.reading, confirmed: true } })).toBeUndefined();
  });

  test('a needle a hair under its stop is no vacuum', () => {
    expect(readingDoubt(gauges.outlet, -1000)).toBeUndefined();
    expect(readingDoubt(undefined, -1e5)).toBeUndefined();
  });

  test('an open end keeps a run from being signed, and is named', () => {
    const error = checkEvent(runOf({ type: 'step_done', step_id: 'fit_gauges' }), {
      type: 'signed',
      name: 'A',
      covers: 2,
    });
    expect(error).toEqual({
      code: 'run.open_ends_left',
      openEnds: ['Test gauges on the tappings'],
    });
  });

  test('a signed run takes nothing, a given-up one only its open ends', () => {
    expect(checkEvent(unwrap(reduceRun(whole)), turned(1))?.code).toBe('run.already_signed');
    const given: RunEventDraft = { type: 'abandoned', reason: 'x' };
    expect(check(turned(1), given)).toBe('run.abandoned');
    expect(check({ type: 'open_end_closed', open_end: 'a' }, given)).toBeUndefined();
  });

  test('a run without an as-left reading is not signed even with all its steps passed', () => {
    const { steps } = runOf();
    const all = steps
      .filter(({ kind }) => kind !== 'sign')
      .map<RunEventDraft>(({ id }) => ({ type: 'step_skipped', step_id: id, reason: 'test' }));
    expect(signingError(runOf(...all))).toEqual({ code: 'run.sheet_has_no_as_left' });
  });
});

describe('the setting as the coach sees it', () => {
  const view = (...drafts: RunEventDraft[]) => settingView(runOf(parked, ...drafts), 'main');

  test('begins with a reading', () => {
    expect(view()).toMatchObject({ dots: [], move: undefined, pendingTurns: 0 });
    expect(view(reading(0)).move?.kind).toBe('turn');
  });

  test('after a turn the gauge has to be read first, and it says what to expect', () => {
    const waiting = view(reading(0), turned(2));
    expect(waiting.move).toBeUndefined();
    expect(waiting.pendingTurns).toBe(2);
    expect(waiting.foretold?.low).toBeLessThan(waiting.foretold!.mean);
  });

  test('an unsettled reading is kept but draws no dot', () => {
    const run = runOf(parked, reading(0), turned(2), reading(1e5, { settled: false }));
    expect(run.readings).toHaveLength(2);
    expect(settingView(run, 'main').dots).toHaveLength(1);
  });

  test('a reading taken wide open teaches nothing and brings no advice', () => {
    const deaf = view(reading(0), turned(2), reading(370_000, { in_control: false }));
    expect(deaf).toMatchObject({ isInControl: false, move: undefined });
    const later = view(
      reading(0),
      turned(2),
      reading(370_000, { in_control: false }),
      reading(400_000),
    );
    expect(later.dots.at(-1)?.pressure).toBe(400_000);
    expect(Math.abs(later.rate!.mean - 200_000)).toBeLessThan(25_000);
  });

  test('no answer is said, and not learned from', () => {
    const deaf = view(reading(300_000), turned(1), reading(300_000));
    expect(deaf.answer).toBe('no_change');
    expect(Math.abs(deaf.rate!.mean - 180_000)).toBeLessThan(20_000);
  });

  test('a direction put right turns the advice round', () => {
    const flipped = view(reading(0), turned(2), reading(0), {
      type: 'direction_corrected',
      adjuster: 'main',
      clockwise: 'lowers',
    });
    expect(flipped.move && 'turns' in flipped.move && flipped.move.turns).toBeLessThan(0);
  });

  test('in the lane it is done', () => {
    const seen = reading(521_000);
    // Where it has come at once, it is read a second time before it is believed.
    expect(view(reading(0), turned(2.5), seen).move?.kind).toBe('read_again');
    expect(view(reading(0), turned(2.5), seen, seen).move?.kind).toBe('done');
  });
});

describe('where the first rate comes from', () => {
  const taught = { rate: 210_000, sd: 5000, clockwise: 'raises' as const };
  test('others of its kind come before its chart, and after its own sheets', () => {
    const kind = { family: 'reducing', adjuster: 'main', spring: springName(plate), size_dn: null };
    const fleet = { ...kind, valves: 7, mean: Math.log(1.5), sd: 0.13 };
    expect(ratePrior(plate, [], defaultHouseRules, fleet)).toMatchObject({
      from: 'fleet',
      valves: 7,
      rate: 270_000,
      sdFraction: 0.13,
    });
    expect(ratePrior(plate, [taught], defaultHouseRules, fleet).from).toBe('sheets');
    const priors = (over: Partial<typeof kind>) =>
      ratePriors(plate, () => [], defaultHouseRules, [{ ...fleet, ...over }]);
    expect(priors({})['main']!.from).toBe('fleet');
    expect(priors({ spring: 'of another' })['main']!.from).toBe('spring');
    expect(ratePriorSchema.parse(priors({})['main'])).toEqual(priors({})['main']);
  });

  test('last sheets, else the spring, else the family', () => {
    expect(ratePrior(plate, [taught, taught], defaultHouseRules)).toMatchObject({
      from: 'sheets',
      rate: 210_000,
      sdFraction: 0.1,
    });
    expect(ratePrior(plate, [], defaultHouseRules)).toMatchObject({
      from: 'spring',
      rate: 180_000,
      sdFraction: 0.25,
    });
    expect(ratePrior({ ...plate, fitted_spring: 'pink' }, [], defaultHouseRules)).toMatchObject({
      from: 'family',
      sdFraction: 0.5,
    });
  });
});

describe('events as data', () => {
  test('every event of a whole run passes its schema unchanged', () => {
    for (const event of whole)
      expect(runEventSchema.parse(JSON.parse(JSON.stringify(event)))).toEqual(event);
  });

  test.each<[string, Partial<RunEvent>]>([
    ['an over-long note', { type: 'note', text: 'x'.repeat(3000) } as Partial<RunEvent>],
    ['a turn of a hundred', { type: 'turned', adjuster: 'main', turns: 100 } as Partial<RunEvent>],
    ['a negative clock', { type: 'paused', at_ms: -1 } as Partial<RunEvent>],
    ['a type that is none', { type: 'teleported' } as never],
  ])('%s is refused', (_, change) => {
    expect(runEventSchema.safeParse({ ...stamp({ type: 'paused' }, 3), ...change }).success).toBe(
      false,
    );
  });
});

import type { Repair, Valve } from '../exchange';
import type { Gauge } from '../gauge';
import { defaultPeopleRules, type Person } from '../people';
import type { ValveVisit } from '../sheet';
import { familySamples } from '../testing/family-samples';
import { gauge, plate, target } from '../testing/samples';
import { defaultHouseRules as rules } from '../valve';
import {
  areaOf,
  barsOf,
  canWait,
  dayLoad,
  dayWorth,
  effortIn,
  effortOf,
  isDone,
  minutesOf,
  workOf,
  leftOut,
  makeProblem,
  planOf,
  planSeason,
  reasonOf,
  routesNow,
  seasonCost,
  wantedOf,
  weekLoad,
  whereIs,
  withMoved,
  withWaiting,
  type Season,
  type SeasonInput,
  type SeasonVisit,
  type Wanted,
  type MadeProblem,
  type SeasonBlock,
  type SeasonProblem,
} from '.';
import { pacesOf } from './pace';

const today = '2026-11-23';
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const valve = (id: string, over: Partial<Valve> = {}): Valve => ({
  id,
  tag: id.toUpperCase(),
  name: '',
  place: 'Terrace, chamber 1',
  plate,
  target,
  ...over,
});
const visit = (day: string, over: object = {}, minutes = 40): ValveVisit =>
  ({
    id: day,
    hash: day,
    body: {
      outcome: 'set',
      verdict: 'pass',
      open_ends: [],
      rehearsal: false,
      plate: { family: 'reducing' },
      started_at_ms: Date.parse(`${day}T10:00:00Z`) - minutes * 60_000,
      signed_at_ms: Date.parse(`${day}T10:00:00Z`),
      gauges: { outlet: gauge('G-12', 1000) },
      settings: [],
      ...over,
    },
  }) as unknown as ValveVisit;

describe('when a valve is wanted', () => {
  const wanted = (
    visits: readonly ValveVisit[],
    over: { repairs?: readonly Repair[]; gauges?: readonly Gauge[]; own?: Partial<Valve> } = {},
  ): Wanted =>
    wantedOf(valve('v', over.own), {
      visits,
      repairs: over.repairs ?? [],
      gauges: over.gauges ?? [],
      rules,
      today,
      dayOf,
    });
  const repair = (day: string, over: Partial<Repair> = {}): Repair => ({
    id: 'r',
    valve_id: 'v',
    at_ms: Date.parse(`${day}T12:00:00Z`),
    by: 'Ines Varga',
    found: 'a cut seat',
    parts: ['seat'],
    ...over,
  });
  const sound = visit('2026-01-10');

  test('by its interval, with the grace of its duty', () => {
    expect(wanted([sound])).toMatchObject({
      because: 'interval',
      likely: '2027-01-10',
      late: '2027-02-09',
    });
    expect(wanted([sound], { own: { duty: 'fire' } })).toMatchObject({
      likely: '2027-01-10',
      late: '2027-01-10',
    });
  });

  test.each<[string, () => Wanted, string, string]>([
    ['never set: within four weeks', () => wanted([]), 'never_set', '2026-12-21'],
    [
      'a failed proof: within the week',
      () => wanted([visit('2026-11-20', { outcome: 'proof_failed' })]),
      're_test',
      '2026-11-30',
    ],
    [
      'repaired since: within the week',
      () => wanted([sound], { repairs: [repair('2026-11-01')] }),
      'repair',
      '2026-11-30',
    ],
    [
      'its gauge failed a check since',
      () =>
        wanted([sound], {
          gauges: [
            gauge('G-12', 1000, {
              failures: [{ on: '2026-03-01', since: '2026-01-01', why: 'reads high' }],
            }),
          ],
        }),
      'gauge_failed',
      '2026-11-30',
    ],
  ])('%s', (_, of, because, late) => {
    expect(of()).toMatchObject({ because, late, earliest: today, likely: today });
  });

  test('parts that are due come before a later interval, not before an earlier one', () => {
    const parts = (day: string) =>
      wanted([sound], { repairs: [repair('2026-01-05', { parts_due_on: day })] });
    expect(parts('2026-12-20')).toMatchObject({ because: 'parts_due', late: '2026-12-20' });
    expect(parts('2027-03-01').because).toBe('interval');
  });
});

describe('how long a visit takes', () => {
  const took = (...minutes: number[]) =>
    minutes.map((each, i) => visit(`2026-0${i + 1}-10`, {}, each));
  test('as its own did, else as its family’s did, else an hour', () => {
    expect(effortOf(took(30, 40, 90), took(10, 10))).toMatchObject({ minutes: 40, from: 'own' });
    expect(effortOf(took(30), took(50, 60))).toMatchObject({ minutes: 55, from: 'family' });
    expect(effortOf(took(30), took(50))).toMatchObject({ minutes: 60, from: 'usual' });
  });

  test('a night in between, and a sheet in a minute, do not count', () => {
    expect(effortOf(took(30, 40, 900, 1), [])).toMatchObject({ minutes: 35 });
  });

  test('its spread is deaf to one bad day, and never nothing', () => {
    expect(effortOf(took(40, 42, 41, 300), []).spread).toBeLessThan(5);
    expect(effortOf(took(40, 40, 40), []).spread).toBeCloseTo(4, 9);
  });

  test('those that went its own way tell it best; of the family, those with as many adjusters', () => {
    const by = (school: string, minutes: number, settings: object[] = [{}]) =>
      visit('2026-03-10', { school, settings }, minutes);
    const own = [by('count', 20), by('raise', 80), by('count', 22), by('raise', 84)];
    expect(effortOf(own, []).minutes).toBe(82);
    expect(effortOf([...own, by('count', 24)], []).minutes).toBe(22);
    // Never gone this way twice: all of its own.
    expect(effortOf([by('count', 20), by('raise', 80)], [])).toMatchObject({
      minutes: 50,
      from: 'own',
    });
    const two = [{}, {}];
    const family = [by('raise', 40), by('raise', 44), by('raise', 90, two), by('raise', 96, two)];
    expect(effortOf([], family, 2).minutes).toBe(93);
    expect(effortOf([], family, 1).minutes).toBe(42);
    expect(effortOf([], family, 3).minutes).toBe(67);
  });
});

describe('how long a hand takes', () => {
  const by = (technician: string, minutes: number, over: object = {}) =>
    visit('2026-03-10', { technician, ...over }, minutes);
  const all = [
    ...Array.from({ length: 12 }, () => by('quick', 30)),
    ...Array.from({ length: 12 }, () => by('slow', 60)),
  ];
  test('as a share of what all take of that kind, held towards theirs while he has signed little', () => {
    const [quick, slow, nobody] = pacesOf(['quick', 'slow', 'nobody'], all);
    expect(quick).toBeCloseTo((30 / 45) ** (12 / 16), 9);
    expect(slow).toBeCloseTo((60 / 45) ** (12 / 16), 9);
    expect(nobody).toBe(1);
    expect(pacesOf(['new'], [...all, by('new', 90)])[0]).toBeCloseTo(1.5 ** (1 / 5), 9);
  });

  test('of another family or way, it is held against that one; a night in between says nothing', () => {
    const long = [by('mixed', 200, { school: 'whole' }), by('other', 200, { school: 'whole' })];
    expect(pacesOf(['mixed'], [...all, ...long])[0]).toBe(1);
    expect(pacesOf(['away'], [...all, by('away', 700)])[0]).toBe(1);
  });

  test('never beyond what a plan can bear', () => {
    const many = (name: string, minutes: number) =>
      Array.from({ length: 200 }, () => by(name, minutes));
    const visits = [...many('hare', 10), ...many('tortoise', 300), ...many('most', 60)];
    expect(pacesOf(['hare', 'tortoise'], visits)).toEqual([0.6, 1.7]);
  });

  test('a visit is told in the hands that it is planned for', () => {
    const made = {
      problem: { paces: [1, 1.5] },
      visits: new Map([['v', { effort: { minutes: 40, spread: 8 } }]]),
    } as unknown as MadeProblem;
    expect(effortIn(made, 'v', 1)).toEqual({ minutes: 60, spread: 12, pace: 1.5 });
    expect(effortIn(made, 'v', undefined)).toEqual({ minutes: 40, spread: 8, pace: 1 });
  });

  test('what a block takes is his work, and the ways in it as long as for anybody', () => {
    const block = { minutes: 70, work: 50 } as SeasonBlock;
    const made = {
      blocks: [block, { minutes: 40 }],
      paces: [0.8, 1.5],
    } as unknown as SeasonProblem;
    expect([0, 1, 2].map((person) => minutesOf(made, 0, person))).toEqual([60, 95, 70]);
    expect([0, 1].map((person) => workOf(made, [0, 1], person))).toEqual([92, 155]);
  });
});

const wantedOn = (likely: string, over: Partial<Wanted> = {}): Wanted => ({
  because: 'interval',
  duty: 'process',
  earliest: '2026-11-23',
  likely,
  late: likely,
  ...over,
});
const entry = (id: string, over: Partial<SeasonVisit> = {}): SeasonVisit => ({
  valve: valve(id),
  wanted: wantedOn('2026-12-06'),
  effort: { minutes: 60, spread: 10 },
  ...over,
});
const person = (id: string, over: Partial<Person> = {}): Person => ({
  id,
  name: id,
  short: id,
  role: 'technician',
  licences: [],
  ...over,
});
const week = [240, 240, 240, 240, 240, 0, 0];
const season = (over: Partial<Season> = {}): Season => ({
  id: 's',
  name: 'Winter',
  site_id: 'x',
  from: today,
  weeks: 2,
  crew: [{ person_id: 'ines', week, away: [] }],
  closed: [],
  rules: [],
  around: 0,
  travel: { usual: 20, table: [] },
  plan: [],
  ...over,
});
const made = (over: Partial<SeasonInput> = {}) =>
  makeProblem({
    season: season(),
    visits: [entry('a'), entry('b')],
    people: [person('ines'), person('tomas')],
    peopleRules: defaultPeopleRules,
    systems: [],
    today,
    ...over,
  });

describe('a season as figures', () => {
  test('work, what is around it, and ways', () => {
    const { problem } = made({
      season: season({
        around: 25,
        travel: { usual: 20, table: [{ from: 'Lodge', to: 'Terrace', minutes: 7 }] },
      }),
      visits: [entry('a'), entry('b', { valve: valve('b', { place: 'Lodge, boiler room' }) })],
    });
    expect(problem.blocks.map(({ minutes }) => minutes)).toEqual([85, 85]);
    expect(problem.travel).toEqual([
      [0, 20, 20],
      [20, 3, 7],
      [20, 7, 3],
    ]);
    expect(areaOf('Lodge, boiler room')).toBe('Lodge');
  });

  test('nobody works before today, on a closed day, at a weekend or while away', () => {
    const { problem } = made({
      today: '2026-11-24',
      season: season({
        closed: [{ from: '2026-11-26', to: '2026-11-26', why: 'closed' }],
        crew: [{ person_id: 'ines', week, away: [{ from: '2026-11-30', to: '2026-12-03' }] }],
      }),
    });
    expect(problem.capacity[0]).toEqual([0, 240, 240, 0, 240, 0, 0, 0, 0, 0, 0, 240, 0, 0]);
  });

  test('who leaves in the middle of it works until that day', () => {
    const { problem } = made({ people: [person('ines', { left_on: '2026-11-25' })] });
    expect(problem.capacity[0]!.slice(0, 5)).toEqual([240, 240, 240, 0, 0]);
  });

  test('a day outside what the owner leaves to it is closed to it, and to all of its visit', () => {
    const only = { id: 'o', why: 'lift', from: '2026-11-25', to: '2026-11-26' };
    const { problem } = made({
      season: season({
        rules: [
          { kind: 'only_between', ...only, valve_ids: ['a'] },
          { kind: 'together', id: 't', why: 'one isolation', valve_ids: ['b', 'a'] },
        ],
      }),
    });
    expect(problem.blocks).toHaveLength(1);
    expect(problem.blocks[0]!.valves).toEqual(['b', 'a']);
    expect(problem.blocks[0]!.minutes).toBe(123);
    const open = problem.blocks[0]!.costs.flatMap((cost, i) => (cost === Infinity ? [] : [i]));
    expect(open).toEqual([2, 3]);
    const not = made({
      season: season({ rules: [{ kind: 'not_between', ...only, valve_ids: ['a'] }] }),
    });
    const shut = not.problem.blocks[0]!.costs.flatMap((cost, i) => (cost === Infinity ? [i] : []));
    expect(shut).toEqual([2, 3]);
  });

  test('a licence is asked for where the house asks for it, to the day', () => {
    const licences = [{ kind: 'gas' as const, number: '1', valid_until: '2026-11-27' }];
    const gas = valve('a', { plate: familySamples.gas.plate });
    const { problem } = made({
      season: season({
        crew: ['ines', 'tomas'].map((person_id) => ({ person_id, week, away: [] })),
      }),
      visits: [entry('a', { valve: gas })],
      people: [person('ines'), person('tomas', { licences })],
    });
    expect(problem.blocks[0]!.until).toEqual([-1, 4]);
    expect(problem.blocks[0]!.hands).toEqual([1]);
  });

  test('upstream comes before downstream, and the owner’s word before a circle', () => {
    const rung = (id: string, valve_id: string, fed_by?: string) => ({
      id,
      name: id,
      kind: 'reducing' as const,
      tolerance_pa: 0,
      valve_id,
      ...(fed_by ? { fed_by } : {}),
    });
    const systems = [
      { rungs: [rung('up', 'a'), rung('down', 'b', 'up')] },
    ] as unknown as SeasonInput['systems'];
    expect(made({ systems }).problem.before).toEqual([[0, 1]]);
    const own = season({ rules: [{ kind: 'before', id: 'x', why: 'y', first: 'b', then: 'a' }] });
    expect(made({ systems, season: own }).problem.before).toEqual([[1, 0]]);
  });

  test('a day is worth nothing in its window, a little before, more after it and most beyond late', () => {
    const worth = (day: number, over: Partial<Wanted> = {}) =>
      dayWorth(
        wantedOn('2026-12-03', { earliest: '2026-11-30', late: '2026-12-05', ...over }),
        today,
        day,
      );
    expect([7, 10].map((day) => worth(day))).toEqual([0, 0]);
    expect(worth(0)).toBeCloseTo(2.1, 9);
    expect([11, 12].map((day) => worth(day))).toEqual([4, 8]);
    expect(worth(13)).toBe(12 + 24);
    expect(worth(13, { duty: 'gas' })).toBe(3 * 36);
    expect(worth(13, { duty: 'comfort' })).toBe(18);
  });

  test('what is not due in it is left out of it, unless it is held', () => {
    const far = entry('a', { wanted: wantedOn('2027-12-01', { earliest: '2026-12-22' }) });
    expect(made({ visits: [far] }).problem.blocks).toHaveLength(0);
    const near = entry('a', { wanted: wantedOn('2027-12-01', { earliest: '2026-12-21' }) });
    expect(made({ visits: [near] }).problem.blocks).toHaveLength(1);
    const plan = [{ valve_id: 'a', day: '2026-11-25', person_id: 'ines', locked: true }];
    expect(made({ visits: [far], season: season({ plan }) }).problem.blocks).toHaveLength(1);
  });

  test('what was done since its day is done; what was missed wants another day', () => {
    const plan = [{ valve_id: 'a', day: '2026-11-24', person_id: 'ines' }];
    const of = (doneOn: string | undefined) =>
      made({
        today: '2026-11-26',
        visits: [entry('a', { doneOn })],
        season: season({ plan }),
      }).problem.blocks;
    expect(of('2026-11-24')).toHaveLength(0);
    expect(of('2026-11-23')[0]).toMatchObject({ isLocked: false });
    expect(of(undefined)[0]!.now).toBeUndefined();
    expect(isDone({ plan }, entry('a', { doneOn: '2026-11-25' }))).toBe(true);
    expect(isDone({ plan: [] }, entry('a', { doneOn: '2026-11-25' }))).toBe(false);
  });
});

describe('a plan as it is kept', () => {
  test('is read back as it was', () => {
    const all = made({ visits: ['a', 'b', 'c', 'd', 'e'].map((id) => entry(id)) });
    const { routes } = planSeason(all.problem, { rounds: 30 });
    const plan = planOf(all, routes, [
      { valve_id: 'c', day: today, person_id: 'ines', locked: true },
    ]);
    expect(plan.find(({ valve_id }) => valve_id === 'c')!.locked).toBe(true);
    const again = made({
      visits: ['a', 'b', 'c', 'd', 'e'].map((id) => entry(id)),
      season: season({ plan: [...plan] }),
    });
    expect(planOf(again, routesNow(again.problem), [...plan])).toEqual(plan);
  });

  test('says why, and what the second best would cost', () => {
    const all = made({
      visits: [entry('a', { wanted: wantedOn('2026-11-24') })],
      season: season({ plan: [{ valve_id: 'a', day: '2026-11-23', person_id: 'ines' }] }),
    });
    const routes = routesNow(all.problem);
    const reason = reasonOf(all, routes, 0)!;
    expect(reason.adds).toBe(40);
    const next = reason.next!;
    const moved = withMoved(all.problem, routes, 0, next.place)!;
    const more = seasonCost(all.problem, moved.routes) - seasonCost(all.problem, routes);
    expect(next.more).toBeCloseTo(more, 9);
    expect(next.place.day).toBe(1);
    expect(barsOf(all, [all.days.map(() => [])], 0)).toEqual([{ bar: 'nobody_there', days: 4 }]);
  });

  test('who is not licensed is the whole reason', () => {
    const all = made({
      visits: [entry('a', { valve: valve('a', { plate: familySamples.gas.plate }) })],
    });
    expect(barsOf(all, [all.days.map(() => [])], 0)).toEqual([{ bar: 'no_hand', days: 14 }]);
    expect(leftOut(all, [all.days.map(() => [])])).toEqual([0]);
  });

  test('a week that asks too much names what can wait, and it fits once that is moved', () => {
    const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
    const visits = ids.map((id, i) =>
      entry(id, {
        effort: { minutes: 230, spread: 0 },
        wanted: wantedOn(i < 3 ? '2026-11-23' : '2026-12-06'),
      }),
    );
    const plan = ids.map((id, i) => ({
      valve_id: id,
      day: ['2026-11-23', '2026-11-24', '2026-11-25'][i % 3]!,
      person_id: 'ines',
    }));
    const all = made({
      visits,
      season: season({
        plan,
        crew: [{ person_id: 'ines', week: [...week.slice(0, 3), 0, 240, 0, 0], away: [] }],
      }),
    });
    const routes = routesNow(all.problem);
    expect(weekLoad(all, routes, 0).asked).toBeGreaterThan(weekLoad(all, routes, 0).there);
    expect(dayLoad(all, routes, 0, 0)).toEqual({ asked: 503, there: 240 });
    const waiting = canWait(all, routes, 0);
    expect(waiting.every((block) => block >= 3)).toBe(true);
    const next = withWaiting(all, routes, waiting, 0);
    expect(whereIs(next).size).toBe(6);
    expect(waiting.every((block) => whereIs(next).get(block)!.day >= 7)).toBe(true);
    expect(canWait(all, [all.days.map(() => [])], 0)).toEqual([]);
  });
});

import fc from 'fast-check';
import { seededRandom } from '../numerics';
import {
  barOf,
  brokenBy,
  byDueDate,
  dayAfter,
  dayCost,
  daysBetween,
  emptyRoutes,
  MOST_OVER,
  moverOf,
  moveTo,
  nextDay,
  planSeason,
  placeByPlace,
  printSpans,
  readSpans,
  routesNow,
  seasonCost,
  wayOf,
  weekdayOf,
  whereIs,
  withMoved,
  workOf,
  type Routes,
  type SeasonBlock,
  type SeasonProblem,
} from '.';

const block = (over: Partial<SeasonBlock> = {}): SeasonBlock => ({
  valves: ['v'],
  enters: 1,
  leaves: 1,
  minutes: 60,
  costs: [0, 0, 0],
  leftOut: 1000,
  hands: [0],
  until: [99],
  needs: [],
  isLocked: false,
  ...over,
});
const problem = (
  blocks: readonly SeasonBlock[],
  over: Partial<SeasonProblem> = {},
): SeasonProblem => ({
  days: 3,
  capacity: [[120, 120, 120]],
  blocks,
  travel: [
    [0, 10, 20],
    [10, 0, 15],
    [20, 15, 0],
  ],
  before: [],
  ...over,
});
const plan = (made: SeasonProblem, rounds = 60) => planSeason(made, { rounds });
const dayOf = (routes: Routes, b: number) => whereIs(routes).get(b)?.day;

/** A problem of any shape, small. */
function anyProblem(seed: number): SeasonProblem {
  const random = seededRandom(seed);
  const int = (least: number, most: number) =>
    least + Math.floor(random.uniform() * (most - least + 1));
  const people = int(1, 3);
  const days = int(2, 6);
  const count = int(2, 10);
  const hands = Array.from({ length: people }, (_, i) => i);
  const blocks = Array.from({ length: count }, (_, i) => {
    const until = hands.map(() => (random.uniform() < 0.2 ? int(-1, days - 1) : days));
    return block({
      valves: [`v${i}`],
      enters: int(1, 2),
      leaves: int(1, 2),
      minutes: int(20, 150),
      costs: Array.from({ length: days }, () => (random.uniform() < 0.2 ? Infinity : int(0, 60))),
      leftOut: int(200, 900),
      hands: hands.filter((hand) => until[hand]! >= 0),
      until,
      needs: random.uniform() < 0.3 ? ['G-07'] : [],
    });
  });
  const before = Array.from({ length: int(0, 3) }, (): [number, number] => {
    const first = int(0, count - 2);
    return [first, int(first + 1, count - 1)];
  });
  return problem(blocks, {
    days,
    capacity: hands.map(() =>
      Array.from({ length: days }, () => (random.uniform() < 0.2 ? 0 : 180)),
    ),
    before,
  });
}

describe('a plan of a season', () => {
  test('puts each visit on the day that costs least', () => {
    const { routes, cost } = plan(
      problem([block({ costs: [50, 0, 50] }), block({ costs: [0, 50, 50], enters: 2, leaves: 2 })]),
    );
    expect([dayOf(routes, 0), dayOf(routes, 1)]).toEqual([1, 0]);
    expect(cost).toBe(20 + 40);
  });

  test('shares a way where nothing speaks against it', () => {
    const { routes, cost } = plan(problem([block({ minutes: 40 }), block({ minutes: 40 })]));
    expect(dayOf(routes, 0)).toBe(dayOf(routes, 1));
    expect(cost).toBe(20);
  });

  test('works over its hours only where that is worth it', () => {
    const two = (leftOut: number) =>
      plan(
        problem([block({ minutes: 80, leftOut: 1000 }), block({ minutes: 60, leftOut })], {
          days: 1,
          capacity: [[120]],
        }),
      ).routes;
    // 40 minutes over at 6 are 240.
    expect(dayOf(two(239), 1)).toBeUndefined();
    expect(dayOf(two(241), 1)).toBe(0);
  });

  test('never goes so far over a day that two hours are not enough', () => {
    const made = (minutes: number) =>
      problem([block({ leftOut: 1e6 }), block({ minutes, leftOut: 1e6 })], {
        days: 1,
        capacity: [[120]],
      });
    expect(whereIs(plan(made(160)).routes).size).toBe(2);
    expect(whereIs(plan(made(161)).routes).size).toBe(1);
  });

  test('gives what is longer than any day a day of its own', () => {
    expect(dayOf(plan(problem([block({ minutes: 600, leftOut: 1e5 })])).routes, 0)).toBeDefined();
  });

  test('leaves out what nobody may do, and says why', () => {
    const made = problem([block({ hands: [], until: [-1] })]);
    expect(whereIs(plan(made).routes).size).toBe(0);
    const bar = barOf(made, emptyRoutes(made), new Map(), { block: 0, person: 0, day: 0, at: 0 });
    expect(bar).toBe('no_hand');
  });

  test('a licence that ends in the season holds until its last day', () => {
    const made = problem([block({ until: [1], costs: [9, 5, 0] })]);
    expect(dayOf(plan(made).routes, 0)).toBe(1);
  });

  test('keeps what is held where it is, even where another day would cost less', () => {
    const held = block({ costs: [90, 0, 0], now: { person: 0, day: 0, turn: 0 }, isLocked: true });
    const free = { ...held, isLocked: false };
    expect(dayOf(plan(problem([held])).routes, 0)).toBe(0);
    expect(dayOf(plan(problem([free])).routes, 0)).not.toBe(0);
  });

  test('moves as little as it must: a small gain moves nothing', () => {
    const now = (gain: number) =>
      dayOf(
        plan(problem([block({ costs: [gain, 0, 0], now: { person: 0, day: 0, turn: 0 } })])).routes,
        0,
      );
    expect(now(19)).toBe(0);
    expect(now(21)).not.toBe(0);
  });

  test('is the best there is, on seasons small enough to try every way', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const random = seededRandom(seed);
      const blocks = Array.from({ length: 4 }, () =>
        block({
          minutes: 30 + Math.floor(70 * random.uniform()),
          enters: 1 + Math.floor(2 * random.uniform()),
          costs: [0, 1, 2].map(() => Math.floor(60 * random.uniform())),
        }),
      ).map((each) => ({ ...each, leaves: each.enters }));
      const made = problem(blocks);
      expect(plan(made, 200).cost).toBeCloseTo(bestOf(made), 6);
    }
  });

  test('breaks no rule, whatever is asked of it, and neither do the habits', () => {
    for (let seed = 1; seed <= 150; seed++) {
      const made = anyProblem(seed);
      const { routes, cost } = plan(made, 25);
      expect(brokenBy(made, routes)).toEqual([]);
      expect(cost).toBeCloseTo(seasonCost(made, routes), 6);
      for (const habit of [byDueDate, placeByPlace]) {
        expect(brokenBy(made, habit(made))).toEqual([]);
        expect(cost).toBeLessThanOrEqual(seasonCost(made, habit(made)) + 1e-6);
      }
    }
  });

  test('is the same from the same seed', () => {
    const made = anyProblem(7);
    expect(plan(made)).toEqual(plan(made));
  });
});

/** Every way to put four blocks of one hand into three days, in any order. */
function bestOf(made: SeasonProblem): number {
  let least = Infinity;
  const tryAll = (next: number, days: readonly (readonly number[])[]): void => {
    if (next === made.blocks.length) {
      const isFull = days.some(
        (route) => route.length > 1 && fullness(made, route) > 120 + MOST_OVER,
      );
      if (isFull) return;
      const cost = days.reduce(
        (sum, _, day) => sum + Math.min(...orders(days[day]!).map((r) => dayCost(made, 0, day, r))),
        0,
      );
      const worth = days.flatMap((route, day) => route.map((b) => made.blocks[b]!.costs[day]!));
      least = Math.min(least, cost + worth.reduce((a, b) => a + b, 0));
      return;
    }
    for (let day = 0; day < made.days; day++)
      tryAll(
        next + 1,
        days.map((route, d) => (d === day ? [...route, next] : route)),
      );
  };
  tryAll(0, [[], [], []]);
  return least;
}
const fullness = (made: SeasonProblem, route: readonly number[]): number =>
  workOf(made, route, 0) + Math.min(...orders(route).map((each) => wayOf(made, each)));
const orders = (route: readonly number[]): readonly (readonly number[])[] =>
  route.length <= 1
    ? [route]
    : route.flatMap((first) =>
        orders(route.filter((each) => each !== first)).map((rest) => [first, ...rest]),
      );

describe('rules that are never broken', () => {
  const bar = (made: SeasonProblem, routes: Routes, at: Parameters<typeof barOf>[3]) =>
    barOf(made, routes, whereIs(routes), at);

  test('what comes first is done first: the day before, or earlier in the day of one hand', () => {
    const made = problem([block(), block()], {
      before: [[0, 1]],
      capacity: [
        [300, 300, 300],
        [300, 300, 300],
      ],
      blocks: [block({ hands: [0, 1], until: [9, 9] }), block({ hands: [0, 1], until: [9, 9] })],
    });
    const routes: Routes = [
      [[], [0], []],
      [[], [], []],
    ];
    const put = (person: number, day: number, at: number) =>
      bar(made, routes, { block: 1, person, day, at });
    expect(put(0, 0, 0)).toBe('order');
    expect(put(0, 1, 0)).toBe('order');
    expect(put(0, 1, 1)).toBeUndefined();
    expect(put(1, 1, 0)).toBe('order');
    expect(put(1, 2, 0)).toBeUndefined();
    const later: Routes = [
      [[], [1], []],
      [[], [], []],
    ];
    expect(bar(made, later, { block: 0, person: 0, day: 2, at: 0 })).toBe('order');
    expect(bar(made, later, { block: 0, person: 0, day: 1, at: 1 })).toBe('order');
    expect(bar(made, later, { block: 0, person: 0, day: 1, at: 0 })).toBeUndefined();
  });

  test('one gauge is in one bag', () => {
    const needs = { needs: ['G-07'], hands: [0, 1], until: [9, 9] };
    const made = problem([block(needs), block(needs)], {
      capacity: [
        [300, 300, 300],
        [300, 300, 300],
      ],
    });
    const routes: Routes = [
      [[0], [], []],
      [[], [], []],
    ];
    expect(bar(made, routes, { block: 1, person: 1, day: 0, at: 0 })).toBe('thing_elsewhere');
    expect(bar(made, routes, { block: 1, person: 0, day: 0, at: 1 })).toBeUndefined();
    expect(bar(made, routes, { block: 1, person: 1, day: 1, at: 0 })).toBeUndefined();
  });

  test('no work where nobody is, nor on a day that is closed to it', () => {
    const made = problem([block({ costs: [0, Infinity, 0] })], { capacity: [[0, 120, 120]] });
    const at = (day: number) => bar(made, emptyRoutes(made), { block: 0, person: 0, day, at: 0 });
    expect([at(0), at(1), at(2)]).toEqual(['nobody_there', 'day_closed', undefined]);
  });

  test('what was broken by hand is named', () => {
    const made = problem([block({ costs: [Infinity, 0, 0] })]);
    expect(brokenBy(made, [[[0], [], []]])).toEqual([{ block: 0, bar: 'day_closed' }]);
  });
});

describe('a visit that is moved', () => {
  test('costs what it is said to cost', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.nat(), fc.nat(), (seed, b, d) => {
        const made = anyProblem(seed);
        const { routes } = plan(made, 5);
        const own = b % made.blocks.length;
        const person = made.blocks[own]!.hands[0];
        if (person === undefined) return;
        const moved = withMoved(made, routes, own, { person, day: d % made.days });
        if (!moved) return;
        expect(brokenBy(made, moved.routes)).toEqual([]);
        expect(whereIs(moved.routes).get(own)).toEqual(moved.place);
        expect(moved.place.day).toBe(d % made.days);
        // Nothing else has gone.
        const others = [...whereIs(routes).keys()].filter((each) => each !== own).sort();
        const still = [...whereIs(moved.routes).keys()].filter((each) => each !== own).sort();
        expect(still).toEqual(others);
      }),
      { numRuns: 150, seed: 12 },
    );
  });

  test('on the board and on its card: the plan costs as much more as is claimed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.nat(), fc.nat(), (seed, b, d) => {
        const made = anyProblem(seed);
        const { routes } = plan(made, 5);
        const own = b % made.blocks.length;
        const mover = moverOf(made, routes, own);
        for (const person of made.capacity.keys()) {
          const to = { person, day: d % made.days };
          const claim = moveTo(mover, to);
          const moved = withMoved(made, routes, own, to);
          expect(typeof claim === 'string').toBe(moved === undefined);
          if (!moved || typeof claim === 'string') continue;
          expect(claim.place).toEqual(moved.place);
          const more = seasonCost(made, moved.routes) - seasonCost(made, routes);
          expect(claim.more).toBeCloseTo(more, 6);
        }
      }),
      { numRuns: 200, seed: 5 },
    );
  });

  test('earlier and later are the next days that take it, and why not is said', () => {
    const made = problem([block({ costs: [0, Infinity, 5], now: { person: 0, day: 0, turn: 0 } })]);
    const mover = moverOf(made, routesNow(made), 0);
    expect(moveTo(mover, { person: 0, day: 1 })).toBe('day_closed');
    // Five for its day, and twenty for being moved at all.
    expect(nextDay(mover, { person: 0, day: 0 }, 1)).toMatchObject({ place: { day: 2 }, more: 25 });
    expect(nextDay(mover, { person: 0, day: 0 }, -1)).toBeUndefined();
    const out = moverOf(made, emptyRoutes(made), 0);
    expect(out.here).toBe(1000);
  });

  test('goes nowhere that a rule keeps it from', () => {
    const made = problem([block({ costs: [0, Infinity, 0] })]);
    expect(withMoved(made, plan(made).routes, 0, { person: 0, day: 1 })).toBeUndefined();
  });

  test('as it stands today is read from where each block is', () => {
    const made = problem([
      block({ now: { person: 0, day: 2, turn: 4 } }),
      block(),
      block({ now: { person: 0, day: 2, turn: 3 } }),
    ]);
    expect(routesNow(made)).toEqual([[[], [], [2, 0]]]);
  });
});

describe('days', () => {
  test('go on where clocks change', () => {
    expect(dayAfter('2026-03-28', 2)).toBe('2026-03-30');
    expect(dayAfter('2026-10-24', 2)).toBe('2026-10-26');
    expect(daysBetween('2026-10-24', '2026-10-26')).toBe(2);
    expect(daysBetween('2026-12-31', '2026-12-30')).toBe(-1);
    expect(['2026-11-23', '2026-11-29'].map(weekdayOf)).toEqual([0, 6]);
  });

  test('are typed as spans, one a line or with a semicolon', () => {
    const text = '2026-12-24 to 2026-12-26 holidays; 2027-01-06';
    const spans = readSpans(text);
    expect(spans).toEqual({
      ok: true,
      value: [
        { from: '2026-12-24', to: '2026-12-26', why: 'holidays' },
        { from: '2027-01-06', to: '2027-01-06', why: '' },
      ],
    });
    expect(spans.ok && readSpans(printSpans(spans.value))).toEqual(spans);
    expect(readSpans(' \n ')).toEqual({ ok: true, value: [] });
  });

  test.each([
    'tomorrow',
    '2026-02-30',
    '2026-12-26 to 2026-12-24',
    '2026-12-24 to 2028-12-24',
    '24.12.2026',
  ])('%j is no span', (text) => {
    expect(readSpans(text)).toEqual({ ok: false, error: { code: 'season.no_span', text } });
  });
});

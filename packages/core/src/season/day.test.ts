import fc from 'fast-check';
import { seededRandom } from '../numerics';
import { quickestOrder, restOfDay, stopsOf, wayOf, type SeasonBlock, type SeasonProblem } from '.';

const block = (row: number, over: Partial<SeasonBlock> = {}): SeasonBlock => ({
  valves: [`v${row}`],
  enters: row,
  leaves: row,
  minutes: 60,
  costs: [0, 0, 0],
  leftOut: 1000,
  hands: [0],
  until: [99],
  needs: [],
  isLocked: false,
  ...over,
});
/** Places along a line, ten minutes apart; the day begins at its end. */
const line = (rows: number): readonly (readonly number[])[] =>
  Array.from({ length: rows }, (_, a) =>
    Array.from({ length: rows }, (__, b) => Math.abs(a - b) * 10),
  );
const problem = (
  blocks: readonly SeasonBlock[],
  over: Partial<SeasonProblem> = {},
): SeasonProblem => ({
  days: 3,
  capacity: [[240, 240, 240]],
  blocks,
  travel: line(6),
  before: [],
  ...over,
});
const START = 450;
const atStart = { now: START, at: 0 };
const rest = (made: SeasonProblem, route: readonly number[], here = {}) =>
  restOfDay(made, [[route, [], []]], { person: 0, day: 0 }, { begins: START, ...atStart, ...here });

describe('the times of a day', () => {
  test('are the way there, the work, the way on, and the way home', () => {
    const made = problem([block(1), block(3, { minutes: 45 })]);
    expect(stopsOf(made, [0, 1], atStart)).toEqual({
      stops: [
        { block: 0, from: 460, to: 520 },
        { block: 1, from: 540, to: 585 },
      ],
      home: 615,
    });
  });

  test('begin from where he is, and what is in hand goes on at least until now', () => {
    const made = problem([block(1), block(3)]);
    const begun = { block: 0, since: 460 };
    expect(stopsOf(made, [0, 1], { now: 500, at: 1, begun }).stops[0]).toEqual({
      block: 0,
      from: 460,
      to: 520,
    });
    expect(stopsOf(made, [0, 1], { now: 600, at: 1, begun })).toEqual({
      stops: [
        { block: 0, from: 460, to: 600 },
        { block: 1, from: 620, to: 680 },
      ],
      home: 710,
    });
  });

  test('an empty day ends where it stands', () => {
    expect(stopsOf(problem([]), [], { now: 500, at: 3 })).toEqual({ stops: [], home: 500 });
  });
});

describe('the quickest way round', () => {
  test('takes places on the way as they come', () => {
    const made = problem([block(4), block(1), block(3)]);
    const order = quickestOrder(made, [0, 1, 2], 0);
    expect(wayOf(made, order)).toBe(80);
    expect(wayOf(made, [0, 1, 2])).toBe(120);
  });

  test('keeps what comes before what', () => {
    const made = problem([block(4), block(1), block(3)], { before: [[2, 1]] });
    const order = quickestOrder(made, [0, 1, 2], 0);
    expect(order.indexOf(2)).toBeLessThan(order.indexOf(1));
  });

  test('is never longer than any other that the rules leave', () => {
    const orders = (all: readonly number[]): number[][] =>
      all.length < 2
        ? [[...all]]
        : all.flatMap((first) =>
            orders(all.filter((each) => each !== first)).map((others) => [first, ...others]),
          );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (seed) => {
        const random = seededRandom(seed);
        const travel = Array.from({ length: 6 }, () =>
          Array.from({ length: 6 }, () => Math.floor(random.uniform() * 60)),
        );
        const before = random.uniform() < 0.6 ? [[1, 3] as const, [3, 0] as const] : [];
        const made = problem(
          [1, 2, 3, 4, 5].map((row) => block(row)),
          { travel, before },
        );
        const route = [1, 3, 0, 2, 4];
        const keeps = (order: readonly number[]) =>
          before.every(([a, b]) => order.indexOf(a) < order.indexOf(b));
        const found = quickestOrder(made, route, 0);
        expect([...found].sort()).toEqual([0, 1, 2, 3, 4]);
        expect(keeps(found)).toBe(true);
        const least = Math.min(
          ...orders(route)
            .filter(keeps)
            .map((order) => wayOf(made, order)),
        );
        expect(wayOf(made, found)).toBe(least);
      }),
      { numRuns: 60 },
    );
  });

  test('of more than a dozen the order stays', () => {
    const blocks = Array.from({ length: 13 }, (_, i) => block(1 + (i % 5)));
    const route = blocks.map((_, i) => i);
    expect(quickestOrder(problem(blocks), route, 0)).toBe(route);
    const twelve = route.slice(0, 12);
    expect(wayOf(problem(blocks), quickestOrder(problem(blocks), twelve, 0))).toBeLessThan(
      wayOf(problem(blocks), twelve),
    );
  });
});

describe('the rest of a day', () => {
  test('that fits asks for nothing', () => {
    const { over, waits, stays, quicker } = rest(problem([block(1), block(2)]), [0, 1]);
    expect({ over, waits, stays, quicker }).toEqual({
      over: 0,
      waits: [],
      stays: 0,
      quicker: undefined,
    });
  });

  test('that fits to the minute fits; a minute later it is over', () => {
    const made = problem([block(1), block(2)], { capacity: [[160, 240, 240]] });
    expect(rest(made, [0, 1]).over).toBe(0);
    expect(rest(made, [0, 1], { now: START + 1 }).over).toBe(1);
  });

  test('that runs over sends away what costs least on another day, and no more of it', () => {
    const made = problem([
      block(1, { costs: [0, 500, 500] }),
      block(2, { costs: [0, 20, 5] }),
      block(3, { costs: [0, 90, 90] }),
    ]);
    const found = rest(made, [0, 1, 2], { now: START + 60 });
    expect(found.over).toBe(60);
    expect(found.waits).toHaveLength(1);
    expect(found.waits[0]).toMatchObject({ block: 1, person: 0, day: 2 });
    expect(found.stays).toBe(0);
  });

  test('what is held, what is in hand and what may go nowhere stays, and how much is over is said', () => {
    const held = problem([
      block(1, { isLocked: true }),
      block(2, { costs: [0, Infinity, Infinity] }),
      block(3),
    ]);
    const found = rest(held, [0, 1, 2], { now: START + 180, begun: { block: 2, since: START } });
    expect(found.over).toBeGreaterThan(0);
    expect(found.waits).toEqual([]);
    expect(found.stays).toBe(found.over);
  });

  test('tells of a quicker way where it saves three minutes', () => {
    const made = problem([block(4), block(1), block(3)]);
    expect(rest(made, [0, 1, 2]).quicker!.saves).toBe(40);
    const near = [
      [0, 1, 2],
      [1, 0, 1],
      [2, 1, 0],
    ];
    const far = (minutes: number) =>
      problem([block(1), block(2)], {
        travel: near.map((row, a) => row.map((way, b) => (a === 2 && b === 0 ? minutes : way))),
      });
    expect(rest(far(4), [0, 1]).quicker).toBeUndefined();
    expect(rest(far(5), [0, 1]).quicker?.saves).toBe(3);
  });

  test('what was begun out of turn is done before the rest', () => {
    const made = problem([block(1), block(3)]);
    const begun = { block: 1, since: START };
    const { stops } = rest(made, [0, 1], { now: START + 30, at: 3, begun });
    expect(stops).toEqual([
      { block: 1, from: START, to: START + 60 },
      { block: 0, from: START + 80, to: START + 140 },
    ]);
  });

  test('what is in hand stays first, however far the quicker way is', () => {
    const made = problem([block(4), block(1), block(3)]);
    const { quicker } = rest(made, [1, 0, 2], { at: 1, begun: { block: 1, since: START } });
    expect(quicker?.route[0] ?? 1).toBe(1);
  });
});

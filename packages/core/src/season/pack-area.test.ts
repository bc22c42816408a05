import { seededRandom } from '../numerics';
import { bestFilling, packArea } from './pack-area';
import { planSeason } from './plan-season';
import { emptyRoutes, seasonCost, type SeasonBlock, type SeasonProblem } from './problem';
import { put, type Working } from './working';

const DAYS = 12;
const WAY = 40;
const block = (minutes: number, over: Partial<SeasonBlock> = {}): SeasonBlock => ({
  valves: ['v'],
  enters: 1,
  leaves: 1,
  minutes,
  costs: Array.from({ length: DAYS }, () => 0),
  leftOut: 1000,
  hands: [0],
  until: [DAYS],
  needs: [],
  isLocked: false,
  ...over,
});
const problemOf = (blocks: readonly SeasonBlock[], people = 1): SeasonProblem => ({
  days: DAYS,
  capacity: Array.from({ length: people }, () => Array.from({ length: DAYS }, () => 480)),
  blocks,
  travel: [
    [0, WAY / 2, 30],
    [WAY / 2, 0, 35],
    [30, 35, 0],
  ],
  before: [],
});

/** One block a day, from the first day on. */
function oneADay(problem: SeasonProblem, person = 0): Working {
  const working: Working = {
    routes: emptyRoutes(problem),
    places: new Map(),
    out: new Set(problem.blocks.keys()),
  };
  problem.blocks.forEach((_, i) => put(working, i, { person, day: i, at: 0 }));
  return working;
}
const packed = (
  problem: SeasonProblem,
  { free = [...problem.blocks.keys()], seed = 1, working = oneADay(problem) } = {},
) => {
  packArea(problem, working, free, seededRandom(seed));
  return working;
};
const worked = ({ routes }: Working) =>
  routes.flatMap((days) => days.filter((route) => route.length > 0));

describe('the best filling of a day', () => {
  const of = (...minutes: number[]) =>
    minutes.map((each, i) => ({ block: i, minutes: each, worth: each }));

  test('is the choice of all that is worth most, to the minute', () => {
    expect([...bestFilling(of(300, 200, 280, 170), 480)].sort()).toEqual([1, 2]);
    expect([...bestFilling(of(300, 200, 280, 170), 650)].sort()).toEqual([1, 2, 3]);
    expect([...bestFilling(of(300, 200, 280, 170), 470)].sort()).toEqual([0, 3]);
  });

  test('takes nothing that costs more than it is worth, that has no day, or that has no room', () => {
    expect(bestFilling([{ block: 7, minutes: 60, worth: -1 }], 480)).toEqual([]);
    expect(bestFilling([{ block: 7, minutes: 60, worth: -Infinity }], 480)).toEqual([]);
    expect(bestFilling(of(60), 59)).toEqual([]);
    expect(bestFilling(of(60), 60)).toEqual([0]);
    expect(bestFilling(of(60), 0)).toEqual([]);
    expect(bestFilling(of(59.2), 59.9)).toEqual([]);
  });
});

describe('an area that is packed', () => {
  // Two days of 440 minutes beside the way, and nothing to spare.
  const exact = [211, 97, 132, 173, 88, 179];

  test('fills its days to the minute and gives the others back', () => {
    const problem = problemOf(exact.map((each) => block(each)));
    const full = Array.from({ length: 20 }, (_, seed) => packed(problem, { seed }));
    expect(full.some((working) => worked(working).length === 2)).toBe(true);
    for (const working of full) expect(seasonCost(problem, working.routes)).toBeLessThan(6 * WAY);
  });

  test('leaves where it is what may not be moved, and what lies elsewhere', () => {
    const elsewhere = block(60, { enters: 2, leaves: 2 });
    const through = block(60, { leaves: 2 });
    const problem = problemOf([...exact.map((each) => block(each)), elsewhere, through]);
    const { places } = packed(problem, { free: [1, 2, 3, 4, 5] });
    expect(places.get(0)).toEqual({ person: 0, day: 0, at: 0 });
    expect(places.get(6)).toEqual({ person: 0, day: 6, at: 0 });
    expect(places.get(7)).toEqual({ person: 0, day: 7, at: 0 });
  });

  test('keeps to days and hands that a block may have, and leaves out what finds none', () => {
    const never = block(60, {
      costs: Array.from({ length: DAYS }, (_, day) => (day === 1 ? 0 : Infinity)),
    });
    const notHis = block(60, { hands: [1], until: [DAYS, DAYS] });
    const problem = problemOf([block(440, { until: [DAYS, DAYS] }), never, notHis], 2);
    for (let seed = 0; seed < 10; seed++) {
      const working = packed(problem, { seed });
      expect(working.places.get(1)?.day ?? 1).toBe(1);
      expect(working.out.has(2)).toBe(true);
    }
  });
});

test('a season that is full to the minute is planned on no more days than it fills', () => {
  const random = seededRandom(8);
  const costs = Array.from({ length: 40 }, () => 0);
  const blocks: SeasonBlock[] = [];
  for (let day = 0; day < 20; day++)
    for (let left = 440; left > 0;) {
      const wanted = 60 + Math.floor(random.uniform() * 150);
      const minutes = left - wanted < 60 ? left : wanted;
      blocks.push(block(minutes, { costs, until: [40] }));
      left -= minutes;
    }
  const problem = { ...problemOf(blocks), days: 40, capacity: [costs.map(() => 480)] };
  const { cost } = planSeason(problem, { rounds: 100 });
  expect(cost).toBe(20 * WAY);
});

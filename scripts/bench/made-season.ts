import { seededRandom, type SeasonBlock, type SeasonProblem } from '@holvek/core';

export type MadeSeason = { readonly problem: SeasonProblem; readonly bound: number };

/**
 * A season by construction: every day of every hand is cut into visits of one area that fill it exactly,
 * and each visit's window holds its day. Then no plan can be cheaper than the ways of those days: the work
 * of an area fills so many days whole, and each of them wants its way there and back.
 */
export function madeSeason(
  seed: number,
  { people = 3, weeks = 8, areas = 8, fill = 1, slack = 0 }: Readonly<Record<string, number>> = {},
): MadeSeason {
  const random = seededRandom(seed);
  const days = weeks * 7;
  const isWorkday = (day: number) => day % 7 < 5;
  const far = Array.from({ length: areas + 1 }, (_, i) =>
    i === 0 ? 0 : 10 + Math.floor(random.uniform() * 30),
  );
  const travel = far.map((from, i) =>
    far.map((to, j) => (i === j ? 0 : i === 0 || j === 0 ? from + to : Math.max(from, to) + 15)),
  );
  const capacity = Array.from({ length: people }, () =>
    Array.from({ length: days }, (_, day) => (isWorkday(day) ? 480 : 0)),
  );
  const blocks: SeasonBlock[] = [];
  let bound = 0;
  for (let person = 0; person < people; person++)
    for (let day = 0; day < days; day++) {
      if (!isWorkday(day) || random.uniform() > fill) continue;
      const area = 1 + Math.floor(random.uniform() * areas);
      const way = 2 * far[area]!;
      bound += way;
      let left = 480 - way - slack;
      while (left > 0) {
        const wanted = 60 + Math.floor(random.uniform() * 150);
        const minutes = left - wanted < 60 ? left : wanted;
        left -= minutes;
        const from = Math.max(0, day - 3 - Math.floor(random.uniform() * 10));
        const to = day + 3 + Math.floor(random.uniform() * 10);
        blocks.push({
          valves: [`v${blocks.length}`],
          enters: area,
          leaves: area,
          minutes,
          costs: Array.from(
            { length: days },
            (_, at) => 0.3 * Math.max(0, from - at) + 4 * Math.max(0, at - to),
          ),
          leftOut: 2000,
          hands: capacity.map((_, i) => i),
          until: capacity.map(() => days),
          needs: [],
          isLocked: false,
        });
      }
    }
  return { problem: { days, capacity, blocks, travel, before: [] }, bound };
}

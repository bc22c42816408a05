/**
 * A season as figures: blocks of work, whose days there are, and what each place of a block costs.
 * Days and people are counted from 0; everything is in minutes, or in minutes' worth.
 *
 *     cost = Σ cost of each block's day + over·(minutes beyond the day) + travel + changes
 */
export type SeasonBlock = {
  /** Valves that are visited in one go, in this order. */
  readonly valves: readonly string[];
  /** Where it begins and ends, as rows of the travel table. */
  readonly enters: number;
  readonly leaves: number;
  /** Work and ways inside it, by a hand that takes as long as most do. */
  readonly minutes: number;
  /** Of them, what a quicker or slower hand changes; all of them where it is not said. */
  readonly work?: number;
  /** By day: what being done then is worth; infinite where it may not be. */
  readonly costs: readonly number[];
  /** What it costs not to be done in this season. */
  readonly leftOut: number;
  /** People who may do it. */
  readonly hands: readonly number[];
  /** By person: the last day on which a licence that it asks for holds; beyond all days where none is asked. */
  readonly until: readonly number[];
  /** Things of which there is only one: two people cannot have it on one day. */
  readonly needs: readonly string[];
  /** Where it stands today, the earlier in its day the smaller `turn`; and whether it is held there. */
  readonly now?: { readonly person: number; readonly day: number; readonly turn: number };
  readonly isLocked: boolean;
};

export type SeasonProblem = {
  readonly days: number;
  /** Minutes that each person has on each day. */
  readonly capacity: readonly (readonly number[])[];
  readonly blocks: readonly SeasonBlock[];
  /** Minutes from row to column; row 0 is where a day begins and ends. */
  readonly travel: readonly (readonly number[])[];
  /** How long each person takes, as a share of what most do; as long where it is not said. */
  readonly paces?: readonly number[];
  /** Blocks that come before others. */
  readonly before: readonly (readonly [first: number, then: number])[];
};

/** Blocks in the order of the day, by person and day; what is in none of them is left out. */
export type Routes = readonly (readonly (readonly number[])[])[];

/** Minutes' worth of a minute beyond the day, and of a block that is moved. */
export const OVER = 6;
export const CHANGE = 20;
/** Minutes beyond its hours that a day may be planned at the most. */
export const MOST_OVER = 120;

export const emptyRoutes = ({ capacity, days }: SeasonProblem): number[][][] =>
  capacity.map(() => Array.from({ length: days }, () => []));

/** Minutes on the way: from where the day begins, round, and back. */
export function wayOf({ travel, blocks }: SeasonProblem, route: readonly number[]): number {
  let at = 0;
  let way = 0;
  for (const block of route) {
    const { enters, leaves } = blocks[block]!;
    way += travel[at]![enters]!;
    at = leaves;
  }
  return route.length === 0 ? 0 : way + travel[at]![0]!;
}

/** Minutes of a block in somebody's hands. */
export function minutesOf({ blocks, paces }: SeasonProblem, block: number, person: number): number {
  const { minutes, work = minutes } = blocks[block]!;
  return minutes + work * ((paces?.[person] ?? 1) - 1);
}

export const workOf = (problem: SeasonProblem, route: readonly number[], person: number): number =>
  route.reduce((sum, block) => sum + minutesOf(problem, block, person), 0);

/** What one day of one person costs: ways, and hours beyond it. */
export function dayCost(
  problem: SeasonProblem,
  person: number,
  day: number,
  route: readonly number[],
): number {
  const way = wayOf(problem, route);
  const over = workOf(problem, route, person) + way - problem.capacity[person]![day]!;
  return way + OVER * Math.max(0, over);
}

/** What a block costs where it is put, apart from the day around it. */
export const placeCost = ({ costs, now }: SeasonBlock, person: number, day: number): number =>
  costs[day]! + (now && (now.person !== person || now.day !== day) ? CHANGE : 0);

/** Everything together. */
export function seasonCost(problem: SeasonProblem, routes: Routes): number {
  const done = new Set<number>();
  let cost = 0;
  routes.forEach((days, person) =>
    days.forEach((route, day) => {
      cost += dayCost(problem, person, day, route);
      for (const block of route) {
        done.add(block);
        cost += placeCost(problem.blocks[block]!, person, day);
      }
    }),
  );
  problem.blocks.forEach(({ leftOut }, block) => {
    if (!done.has(block)) cost += leftOut;
  });
  return cost;
}

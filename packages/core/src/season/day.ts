import type { MadeProblem } from './make-problem';
import { moverOf, moveTo } from './moves';
import { minutesOf, placeCost, type Routes, type SeasonProblem } from './problem';
import { areaOf } from './season';

/** Minutes after midnight at which a day of work begins where nobody has said. */
export const USUAL_START = 7 * 60 + 30;

/** A block of a day: minutes after midnight from when to when it is worked on. */
export type Stop = { readonly block: number; readonly from: number; readonly to: number };

/** Whoever it is: as quick as most. */
const NOBODY = -1;

/** Where somebody is in his day, and what he has begun there. */
export type DayNow = {
  /** Whose hands it is in; as quick as most where it is not said. */
  readonly person?: number;
  /** Minutes after midnight. */
  readonly now: number;
  /** Row of the travel table at which he is; 0 where the day begins. */
  readonly at: number;
  /** What is in hand, and since when. */
  readonly begun?: { readonly block: number; readonly since: number } | undefined;
};

/**
 * When each block of a route is worked on, one after another; what is in hand is there already, and ends
 * now at the earliest.
 *
 * @returns the stops, and minutes after midnight at which he is back where the day begins
 */
export function stopsOf(
  problem: SeasonProblem,
  route: readonly number[],
  { now, at, begun, person = NOBODY }: DayNow,
): { readonly stops: readonly Stop[]; readonly home: number } {
  const { blocks, travel } = problem;
  let clock = now;
  let row = at;
  const stops = route.map((block): Stop => {
    const { enters, leaves } = blocks[block]!;
    const isInHand = begun?.block === block;
    const from = isInHand ? begun.since : clock + travel[row]![enters]!;
    const to = Math.max(clock, from + minutesOf(problem, block, person));
    clock = to;
    row = leaves;
    return { block, from, to };
  });
  return { stops, home: route.length === 0 ? clock : clock + travel[row]![0]! };
}

/** Of more blocks than these the order stays as it is: twelve have four thousand sets to look through. */
const MOST_ORDERED = 12;

/**
 * The same blocks in the order in which the way round is shortest, rules between them kept; as they are where
 * nothing is shorter, or where they are too many.
 *
 * @source  Held and Karp: the best way through a set that ends at one of it
 */
export function quickestOrder(
  { blocks, travel, before }: SeasonProblem,
  route: readonly number[],
  from: number,
): readonly number[] {
  const n = route.length;
  if (n < 2 || n > MOST_ORDERED) return route;
  const place = new Map(route.map((block, i) => [block, i]));
  const firsts = route.map((block) =>
    before.reduce(
      (mask, [first, then]) =>
        then === block && place.has(first) ? mask | (1 << place.get(first)!) : mask,
      0,
    ),
  );
  const full = (1 << n) - 1;
  const best = new Float64Array((full + 1) * n).fill(Infinity);
  const came = new Int8Array((full + 1) * n).fill(-1);
  const way = (a: number, b: number) =>
    travel[blocks[route[a]!]!.leaves]![blocks[route[b]!]!.enters]!;
  for (let i = 0; i < n; i++)
    if (firsts[i] === 0) best[(1 << i) * n + i] = travel[from]![blocks[route[i]!]!.enters]!;
  for (let mask = 1; mask <= full; mask++)
    for (let i = 0; i < n; i++) {
      const here = best[mask * n + i]!;
      if (here === Infinity) continue;
      for (let j = 0; j < n; j++) {
        if (mask & (1 << j) || (firsts[j]! & mask) !== firsts[j]) continue;
        const at = (mask | (1 << j)) * n + j;
        const there = here + way(i, j);
        if (there < best[at]!) {
          best[at] = there;
          came[at] = i;
        }
      }
    }
  const ends = route.map((block, i) => best[full * n + i]! + travel[blocks[block]!.leaves]![0]!);
  return orderOf(route, came, ends.indexOf(Math.min(...ends)));
}

/** The way back through the best ways, from the last block of all to the first. */
function orderOf(route: readonly number[], came: Int8Array, last: number): readonly number[] {
  const n = route.length;
  const order: number[] = [];
  let mask = (1 << n) - 1;
  let at = last;
  while (at >= 0) {
    order.unshift(route[at]!);
    const before = came[mask * n + at]!;
    mask &= ~(1 << at);
    at = before;
  }
  return order.length === n ? order : route;
}

/** A block that can wait: where to, and what that costs in minutes' worth. */
export type Wait = {
  readonly block: number;
  readonly person: number;
  readonly day: number;
  readonly more: number;
};

export type RestOfDay = {
  readonly stops: readonly Stop[];
  /** Minutes after midnight at which the day ends. */
  readonly home: number;
  /** Minutes beyond the hours of the hand. */
  readonly over: number;
  /** A quicker way round, and the minutes that it saves. */
  readonly quicker?: { readonly route: readonly number[]; readonly saves: number };
  /** What may be left for another day, cheapest first, until the day fits. */
  readonly waits: readonly Wait[];
  /** Still beyond the hours after all that can wait has been sent away. */
  readonly stays: number;
};

type Day = { readonly person: number; readonly day: number };

/** Minutes by which another way round must be shorter to be worth telling. */
const WORTH_TELLING = 3;

/**
 * What is left of a day from now on: when each visit is, when it ends, whether another way round is quicker,
 * and, where it runs beyond the hours, which visits cost least to be left for another day.
 *
 * @param begins  minutes after midnight at which his hours begin
 */
export function restOfDay(
  problem: SeasonProblem,
  routes: Routes,
  { person, day }: Day,
  { begins, ...from }: Omit<DayNow, 'person'> & { readonly begins: number },
): RestOfDay {
  const here = { ...from, person };
  const route = inHandFirst(routes[person]![day]!, here.begun?.block);
  const { stops, home } = stopsOf(problem, route, here);
  const ends = begins + problem.capacity[person]![day]!;
  const over = Math.max(0, home - ends);
  const quicker = quickerWay(problem, route, here);
  const waits: Wait[] = [];
  let left = route;
  let now = routes;
  let late = over;
  while (late > 0) {
    const next = cheapestWait(problem, now, { person, day }, here.begun?.block);
    if (!next) break;
    waits.push(next);
    left = left.filter((block) => block !== next.block);
    now = withRoute(now, { person, day }, left);
    late = Math.max(0, stopsOf(problem, left, here).home - ends);
  }
  return { stops, home, over, ...(quicker ? { quicker } : {}), waits, stays: late };
}

/** What was begun out of turn is done before the rest. */
const inHandFirst = (route: readonly number[], begun: number | undefined): readonly number[] =>
  begun !== undefined && route.includes(begun)
    ? [begun, ...route.filter((block) => block !== begun)]
    : route;

function quickerWay(
  problem: SeasonProblem,
  route: readonly number[],
  here: DayNow,
): RestOfDay['quicker'] {
  const held = route.slice(0, route[0] === here.begun?.block ? 1 : 0);
  const from = held.length > 0 ? problem.blocks[held[0]!]!.leaves : here.at;
  const other = [...held, ...quickestOrder(problem, route.slice(held.length), from)];
  const saves = stopsOf(problem, route, here).home - stopsOf(problem, other, here).home;
  return saves >= WORTH_TELLING ? { route: other, saves } : undefined;
}

/** The block of a day that costs least on a later one; what is held, or in hand, stays. */
function cheapestWait(
  problem: SeasonProblem,
  routes: Routes,
  { person, day }: Day,
  inHand: number | undefined,
): Wait | undefined {
  const free = routes[person]![day]!.filter(
    (block) => block !== inHand && !problem.blocks[block]!.isLocked,
  );
  const waits = free.flatMap((block) => {
    const own = problem.blocks[block]!;
    const mover = moverOf(problem, routes, block);
    const days = Array.from({ length: problem.days - day - 1 }, (_, i) => day + 1 + i);
    return own.hands.flatMap((other) =>
      days.flatMap((later): Wait[] => {
        const move = moveTo(mover, { person: other, day: later });
        if (typeof move === 'string') return [];
        // What today gains by it is told in hours: held against it is what the other day is worth.
        const more = mover.here + move.more - placeCost(own, person, day);
        return [{ block, person: other, day: later, more }];
      }),
    );
  });
  return waits.reduce<Wait | undefined>(
    (best, each) => (best === undefined || each.more < best.more ? each : best),
    undefined,
  );
}

const withRoute = (routes: Routes, { person, day }: Day, route: readonly number[]): Routes =>
  routes.map((days, p) =>
    p === person ? days.map((each, d) => (d === day ? route : each)) : days,
  );

/** Row of the travel table for a place; where the day begins when nothing of the season is in its area. */
export function rowOf({ problem, visits, blockOf }: MadeProblem, place: string): number {
  const area = areaOf(place);
  const near = [...visits.values()].find(({ valve }) => areaOf(valve.place) === area);
  const block = near && blockOf.get(near.valve.id);
  if (block === undefined) return 0;
  const { valves, enters, leaves } = problem.blocks[block]!;
  return valves[0] === near?.valve.id ? enters : leaves;
}

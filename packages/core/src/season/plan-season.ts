import { chosen } from './taken-out';
import { seededRandom, type Random } from '../numerics';
import { offerIn, offersOf, type Offer } from './offers';
import { packArea } from './pack-area';
import { roomFor, whereIs, type Place } from './places';
import { emptyRoutes, seasonCost, type Routes, type SeasonProblem } from './problem';
import { copyOf, put, take, type Working } from './working';

type Waiting = {
  readonly block: number;
  readonly offer: Offer;
  readonly regret: number;
  readonly seen: number;
};

/**
 * Puts in what is out: at each turn the block that would lose most by waiting. A block is looked at again
 * only when it is at the head and its day, or what it is bound to, has changed since.
 */
function fill(problem: SeasonProblem, working: Working, random: Random): void {
  // In any order now and then: what regret would do again and again is not always best.
  const isBlind = random.uniform() < BLIND;
  const noise = new Map([...working.out].map((block) => [block, random.uniform()]));
  const changed = new Map<number, number>();
  let turn = 0;
  const keyOf = ({ person, day }: Place) => person * problem.days + day;
  const look = (block: number): Waiting | undefined => {
    const [first, second] = offersOf(problem, working, block);
    if (!first) return undefined;
    const { leftOut } = problem.blocks[block]!;
    const lost = (second?.cost ?? leftOut) - first.cost;
    return { block, offer: first, regret: (isBlind ? 0 : lost) + noise.get(block)!, seen: turn };
  };
  const queue = [...working.out].flatMap((block) => look(block) ?? []);
  queue.sort((a, b) => a.regret - b.regret);
  for (let head = queue.pop(); head; head = queue.pop()) {
    const isStale =
      (changed.get(keyOf(head.offer.place)) ?? -1) >= head.seen || isBound(problem, working, head);
    const again = isStale ? look(head.block) : head;
    if (!again) continue;
    if (isStale && again.regret < (queue.at(-1)?.regret ?? -Infinity)) {
      insert(queue, again);
      continue;
    }
    put(working, again.block, again.offer.place);
    changed.set(keyOf(again.offer.place), turn);
    turn += 1;
  }
}

/** What is tied to other blocks, or to a thing, may be kept from its place by what stands elsewhere. */
const isBound = (problem: SeasonProblem, working: Working, { block, offer }: Waiting): boolean =>
  typeof roomFor(problem, working.routes, working.places, { block, ...offer.place }) === 'string';

/** Into its place by regret. */
function insert(queue: Waiting[], waiting: Waiting): void {
  let low = 0;
  let high = queue.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (queue[middle]!.regret < waiting.regret) low = middle + 1;
    else high = middle;
  }
  queue.splice(low, 0, waiting);
}

const movable = (problem: SeasonProblem): readonly number[] =>
  problem.blocks.flatMap(({ isLocked, now }, block) => (isLocked && now ? [] : [block]));

/** Share of the times that the days of an area are packed anew, each as full as it can be. */
const PACKED = 0.2;

/** The plan with some blocks taken out; or with those of one area packed anew, and what found no day out. */
function takenApart(
  problem: SeasonProblem,
  working: Working,
  free: readonly number[],
  random: Random,
): Working {
  const trial = copyOf(working);
  if (random.uniform() < PACKED) packArea(problem, trial, free, random);
  else
    for (const block of chosen(problem, working, free, random).slice(0, MOST_OUT))
      take(trial, block);
  return trial;
}

/** How warm the search begins: a share of the cost, and minutes' worth at the least. */
const WARMTH = 0.003;
const LEAST_WARMTH = 3;
const MOST_OUT = 30;
/** Share of the times that what is out goes in in any order. */
const BLIND = 0.15;

export type PlanOptions = {
  readonly seed?: number;
  /** Times that a part of the plan is taken out and put in again. */
  readonly rounds?: number;
  /** Told how far it is, 0 … 1. */
  readonly onProgress?: (share: number) => void;
};

/**
 * A plan of the season: put together by regret, then bettered by taking parts out and putting them in
 * again (large-neighbourhood search, cooled; the same seed gives the same plan). Hard rules are never
 * broken; what has no place is left out.
 *
 * @returns routes by person and day, and what they cost
 */
export function planSeason(
  problem: SeasonProblem,
  { seed = 1, rounds = 600, onProgress }: PlanOptions = {},
): { readonly routes: Routes; readonly cost: number } {
  const random = seededRandom(seed);
  let working: Working = {
    routes: emptyRoutes(problem),
    places: new Map(),
    out: new Set(problem.blocks.keys()),
  };
  // What is held stands first, where it stood.
  putAsNow(
    problem,
    working,
    [...problem.blocks.keys()].filter((block) => problem.blocks[block]!.isLocked),
  );
  fill(problem, working, random);
  const free = movable(problem);
  let cost = seasonCost(problem, working.routes);
  let best = copyOf(working);
  let least = cost;
  for (let round = 0; round < rounds && free.length > 0; round++) {
    const trial = takenApart(problem, working, free, random);
    fill(problem, trial, random);
    const next = seasonCost(problem, trial.routes);
    const warmth = Math.max(LEAST_WARMTH, WARMTH * least) * (1 - round / rounds) ** 2;
    if (next < cost || random.uniform() < Math.exp((cost - next) / Math.max(1e-9, warmth))) {
      working = trial;
      cost = next;
    }
    if (next < least - 1e-9) {
      best = copyOf(trial);
      least = next;
    }
    if (round % 20 === 0) onProgress?.(round / rounds);
  }
  return { routes: best.routes, cost: least };
}

/** Puts blocks where they stand today, in their turn. */
function putAsNow(problem: SeasonProblem, working: Working, blocks: readonly number[]): void {
  const standing = blocks.flatMap((block) => {
    const { now } = problem.blocks[block]!;
    return now ? [{ block, ...now }] : [];
  });
  for (const { block, person, day } of standing.sort((a, b) => a.turn - b.turn))
    put(working, block, { person, day, at: working.routes[person]![day]!.length });
}

/** As it stands today, as routes. */
export function routesNow(problem: SeasonProblem): Routes {
  const working: Working = { routes: emptyRoutes(problem), places: new Map(), out: new Set() };
  putAsNow(problem, working, [...problem.blocks.keys()]);
  return working.routes;
}

/** A plan with one block moved; where it goes in the day is the cheapest place that the rules leave. */
export function withMoved(
  problem: SeasonProblem,
  routes: Routes,
  block: number,
  to: { readonly person: number; readonly day: number },
): { readonly routes: Routes; readonly place: Place } | undefined {
  const working: Working = {
    routes: routes.map((days) => days.map((route) => [...route])),
    places: new Map(whereIs(routes)),
    out: new Set(),
  };
  take(working, block);
  const offer = offerIn(problem, working, block, [to.person, to.day]);
  if (!offer) return undefined;
  put(working, block, offer.place);
  return { routes: working.routes, place: offer.place };
}

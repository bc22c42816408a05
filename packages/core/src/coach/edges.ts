import { err, ok, type Result } from '../result';

/** A try to light at a pressure, Pa; `weak`: it lit, but its flame signal was below what is asked. */
export type Light = { readonly pressure: number; readonly lit: boolean; readonly weak?: boolean };

export type EdgeLimits = {
  /** Pa: where the regulator’s spring, or the maker, ends the search. */
  readonly lowest: number;
  readonly highest: number;
  /** Pa between which an edge is known well enough. */
  readonly resolution: number;
  /** How much dearer a failed light is than one that lights: it costs a purge. */
  readonly failCost: number;
  /** Failures at one pressure that make it an edge; fewer may have been a misfire. 1 when not given. */
  readonly failures?: number;
};

export type LightEdge = {
  /** Outermost pressure at which it is sure to light, and innermost at which it did not; undefined: not met. */
  readonly lit: number | undefined;
  readonly failed: number | undefined;
  /** Between `lit` and `failed`; at the end of the range when it lit there. */
  readonly at: number | undefined;
  readonly isFound: boolean;
};

export type EdgeSearch = {
  readonly low: LightEdge;
  readonly high: LightEdge;
  /** The next pressure to light at; undefined when both edges are found, or nothing lights. */
  readonly next:
    | {
        readonly pressure: number;
        readonly seeks: 'flame' | 'low' | 'high';
        readonly chanceOfFailure: number;
      }
    | undefined;
  readonly isDone: boolean;
  /** Lights that say the opposite of a failed one further in: near an edge, luck decides. */
  readonly contradictions: number;
};

/**
 * The two edges between which a pilot lights, and the pressure to try next.
 *
 * Each edge lies between the outermost light and the innermost failure. The next try divides that
 * stretch so that it tells most for its cost: for a failure that costs c lights the share w of the
 * stretch solves w = (1 − w)^c, so dearer failures mean shorter steps outward. A light beyond a failed
 * one does not count: where luck decides is already outside. A failure that would be an edge is tried again
 * before it is one: it may have been a misfire.
 *
 * @param lights  in any order
 */
export function edgeSearch(lights: readonly Light[], limits: EdgeLimits): EdgeSearch {
  const { good, bad, doubtful } = talliedLights(lights, limits);
  const heart = heartOf(good, bad);
  if (heart === undefined) {
    const pressure = firstTry(bad, limits);
    const none: LightEdge = { lit: undefined, failed: undefined, at: undefined, isFound: false };
    const next =
      pressure === undefined
        ? undefined
        : ({ pressure, seeks: 'flame', chanceOfFailure: 0.5 } as const);
    return { low: none, high: none, next, isDone: false, contradictions: 0 };
  }
  const lowFailed = largest(bad.filter((pressure) => pressure < heart));
  const highFailed = smallest(bad.filter((pressure) => pressure > heart));
  const inside = good.filter(
    (pressure) => pressure > (lowFailed ?? -Infinity) && pressure < (highFailed ?? Infinity),
  );
  const isDoubtful = (pressure: number | undefined) =>
    pressure !== undefined && doubtful.includes(pressure);
  const edge = (lit: number, failed: number | undefined, end: number) =>
    edgeOf({ lit, failed, end, isDoubtful: isDoubtful(failed) }, limits.resolution);
  const low = edge(Math.min(...inside), lowFailed, limits.lowest);
  const high = edge(Math.max(...inside), highFailed, limits.highest);
  const share = costedShare(limits.failCost);
  const seek = (edge: LightEdge, seeks: 'low' | 'high', end: number) => {
    const stretch = (edge.failed ?? end) - edge.lit!;
    const isClose = edge.failed !== undefined && isAnEdge(stretch, limits.resolution);
    if (isClose) return { pressure: edge.failed, seeks, chanceOfFailure: AGAIN } as const;
    // With no failure seen the end itself may light: reached at last, it is tried.
    const isShort = Math.abs(stretch) <= 2 * limits.resolution;
    const pressure = edge.failed === undefined && isShort ? end : edge.lit! + share * stretch;
    return { pressure, seeks, chanceOfFailure: share } as const;
  };
  const next = !low.isFound
    ? seek(low, 'low', limits.lowest)
    : high.isFound
      ? undefined
      : seek(high, 'high', limits.highest);
  return {
    low,
    high,
    next,
    isDone: low.isFound && high.isFound,
    contradictions: good.length - inside.length,
  };
}

/** How likely what has failed once fails again. */
const AGAIN = 0.9;

const isAnEdge = (stretch: number, resolution: number): boolean =>
  Math.abs(stretch) <= resolution * 1.001;

type Tally = {
  readonly good: readonly number[];
  readonly bad: readonly number[];
  /** Of the bad ones those that have not failed often enough to be an edge. */
  readonly doubtful: readonly number[];
};

/** Pressures that lit and that did not; tries at one pressure count together, and its lights must outnumber its failures. */
function talliedLights(lights: readonly Light[], { resolution, failures = 1 }: EdgeLimits): Tally {
  const isGood = ({ lit, weak }: Light) => lit && !weak;
  if (failures === 1) {
    const pressures = (all: readonly Light[]) => all.map(({ pressure }) => pressure);
    return {
      good: pressures(lights.filter(isGood)),
      bad: pressures(lights.filter((light) => !isGood(light))),
      doubtful: [],
    };
  }
  const places: Place[] = [];
  for (const light of lights) {
    const known = places.find(({ at }) => Math.abs(at - light.pressure) < resolution / 3);
    const place = known ?? { at: light.pressure, lit: [], failed: [] };
    if (!known) places.push(place);
    place[isGood(light) ? 'lit' : 'failed'].push(light.pressure);
  }
  const bad = places.filter(({ lit, failed }) => failed.length >= lit.length);
  return {
    good: places.filter((place) => !bad.includes(place)).flatMap(({ lit }) => lit),
    bad: bad.flatMap(({ failed }) => failed),
    doubtful: bad.filter(({ failed }) => failed.length < failures).flatMap(({ failed }) => failed),
  };
}

/** Tries so near to one another that they tell of one pressure; each keeps its own, Pa. */
type Place = { readonly at: number; readonly lit: number[]; readonly failed: number[] };

type Bounds = {
  readonly lit: number;
  readonly failed: number | undefined;
  readonly end: number;
  readonly isDoubtful: boolean;
};

function edgeOf({ lit, failed, end, isDoubtful }: Bounds, resolution: number): LightEdge {
  if (failed === undefined) {
    const isFound = Math.abs(lit - end) <= resolution / 2;
    return { lit, failed, at: isFound ? end : undefined, isFound };
  }
  const isFound = isAnEdge(failed - lit, resolution) && !isDoubtful;
  return { lit, failed, at: (lit + failed) / 2, isFound };
}

/** A pressure inside the longest run of lights without a failure between; undefined with none. */
function heartOf(good: readonly number[], bad: readonly number[]): number | undefined {
  const all = [...good.map((p) => ({ p, lit: true })), ...bad.map((p) => ({ p, lit: false }))].sort(
    (a, b) => a.p - b.p || Number(a.lit) - Number(b.lit),
  );
  let best: number[] = [];
  let run: number[] = [];
  for (const { p, lit } of all) {
    run = lit ? [...run, p] : [];
    if (run.length > best.length) best = run;
  }
  return best.length === 0 ? undefined : best[Math.floor(best.length / 2)]!;
}

/** With no flame yet: the middle of the longest stretch that has not been tried. */
function firstTry(
  bad: readonly number[],
  { lowest, highest, resolution }: EdgeLimits,
): number | undefined {
  const ends = [lowest, ...[...bad].sort((a, b) => a - b), highest];
  const gaps = ends.slice(1).map((to, i) => ({ from: ends[i]!, to }));
  const widest = gaps.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
  return widest.to - widest.from < 2 * resolution ? undefined : (widest.from + widest.to) / 2;
}

/**
 * Share w of a stretch with w = (1 − w)^c, by halving; ½ for c = 1.
 *
 * @example costedShare(2) // → 0.382
 */
export function costedShare(failCost: number): number {
  let low = 0;
  let high = 0.5;
  for (let i = 0; i < 40; i++) {
    const w = (low + high) / 2;
    if (w < (1 - w) ** Math.max(1, failCost)) low = w;
    else high = w;
  }
  return (low + high) / 2;
}

const largest = (values: readonly number[]) =>
  values.length > 0 ? Math.max(...values) : undefined;
const smallest = (values: readonly number[]) =>
  values.length > 0 ? Math.min(...values) : undefined;

export type MiddleError =
  | { readonly code: 'coach.edges_not_found' }
  | { readonly code: 'coach.maker_range_outside'; readonly low: number; readonly high: number };

/** Where to leave it, and how far that is from each edge, Pa. */
export type Middle = { readonly pressure: number; readonly toLow: number; readonly toHigh: number };

/**
 * The middle of the edges, moved inside the maker’s range where it lies outside.
 *
 * @errors  coach.edges_not_found · coach.maker_range_outside, with the edges, Pa
 */
export function middleOf(
  { low, high }: EdgeSearch,
  maker: { readonly low: number; readonly high: number },
): Result<Middle, MiddleError> {
  if (low.lit === undefined || high.lit === undefined || !low.isFound || !high.isFound)
    return err({ code: 'coach.edges_not_found' });
  if (maker.high < low.lit || maker.low > high.lit)
    return err({ code: 'coach.maker_range_outside', low: low.lit, high: high.lit });
  const pressure = Math.min(maker.high, Math.max(maker.low, (low.at! + high.at!) / 2));
  return ok({ pressure, toLow: pressure - low.lit, toHigh: high.lit - pressure });
}

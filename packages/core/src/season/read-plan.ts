import type { MadeProblem } from './make-problem';
import { minutesOf, wayOf, workOf, type Routes } from './problem';
import { addsTo, moverOf, without, type VisitMove } from './moves';
import { barOf, whereIs, type Bar } from './places';
import { offerIn, offersOf } from './offers';
import { withMoved } from './plan-season';
import type { Planned, Season } from './season';

/** A plan as it is kept: day by day, hand by hand, in the order of the day. */
export function planOf(
  { problem, days, people }: MadeProblem,
  routes: Routes,
  before: Season['plan'],
): readonly Planned[] {
  const locked = new Set(before.filter((each) => each.locked).map(({ valve_id }) => valve_id));
  return days.flatMap((day, d) =>
    people.flatMap(({ id }, p) =>
      (routes[p]?.[d] ?? []).flatMap((block) =>
        problem.blocks[block]!.valves.map((valve) => ({
          valve_id: valve,
          day,
          person_id: id,
          ...(locked.has(valve) ? { locked: true } : {}),
        })),
      ),
    ),
  );
}

/** How long a visit takes in somebody's hands, minutes; in anybody's where nobody is named. */
export function effortIn(
  { problem, visits }: Pick<MadeProblem, 'problem' | 'visits'>,
  valveId: string,
  person: number | undefined,
): { readonly minutes: number; readonly spread: number; readonly pace: number } {
  const { minutes = 0, spread = 0 } = visits.get(valveId)?.effort ?? {};
  const pace = (person === undefined ? undefined : problem.paces?.[person]) ?? 1;
  return { minutes: minutes * pace, spread: spread * pace, pace };
}

/** What a week or a day asks of its people, minutes. */
export type Load = { readonly asked: number; readonly there: number };

/** Minutes asked and there, by day and person. */
export const dayLoad = (
  { problem }: MadeProblem,
  routes: Routes,
  person: number,
  day: number,
): Load => {
  const route = routes[person]?.[day] ?? [];
  return {
    asked: workOf(problem, route, person) + wayOf(problem, route),
    there: problem.capacity[person]![day]!,
  };
};

export function weekLoad(made: MadeProblem, routes: Routes, week: number): Load {
  const sum = { asked: 0, there: 0 };
  made.people.forEach((_, person) => {
    for (let day = 7 * week; day < 7 * week + 7; day++) {
      const load = dayLoad(made, routes, person, day);
      sum.asked += load.asked;
      sum.there += load.there;
    }
  });
  return sum;
}

/** Why a block stands where it stands, and what another place would cost more. */
export type PlanReason = {
  /** Minutes' worth of its day, and of what it adds to the ways and hours of that day. */
  readonly dayWorth: number;
  readonly adds: number;
  readonly next?: VisitMove;
  /** What keeps it from other days, and from how many. */
  readonly bars: readonly { readonly bar: Bar; readonly days: number }[];
};

/** Why a planned block stands where it does. */
export function reasonOf(made: MadeProblem, routes: Routes, block: number): PlanReason | undefined {
  const { problem } = made;
  const place = whereIs(routes).get(block);
  if (!place) return undefined;
  const { person, day } = place;
  const mover = moverOf(problem, routes, block);
  const next = offersOf(problem, mover.rest, block)
    .filter((offer) => offer.place.person !== person || offer.place.day !== day)
    .at(0);
  return {
    dayWorth: problem.blocks[block]!.costs[day]!,
    adds: addsTo(problem, routes, block, place),
    ...(next ? { next: { place: next.place, more: next.cost - mover.here } } : {}),
    bars: barsOf(made, mover.rest.routes, block),
  };
}

/** What stands in the way of a block on the days that none of its hands may take it. */
export function barsOf(made: MadeProblem, routes: Routes, block: number): PlanReason['bars'] {
  const { problem } = made;
  const own = problem.blocks[block]!;
  const places = whereIs(routes);
  const counted = new Map<Bar, number>();
  if (own.hands.length === 0) return [{ bar: 'no_hand', days: problem.days }];
  for (let day = 0; day < problem.days; day++) {
    const bars = own.hands.map((person) =>
      barOf(problem, routes, places, {
        person,
        day,
        at: routes[person]![day]!.length,
        block,
      }),
    );
    const [first] = bars;
    if (first !== undefined && bars.every((bar) => bar !== undefined))
      counted.set(first, (counted.get(first) ?? 0) + 1);
  }
  return [...counted].map(([bar, days]) => ({ bar, days })).sort((a, b) => b.days - a.days);
}

/** Valves that have no place in the plan, the most pressing first. */
export const leftOut = ({ problem }: MadeProblem, routes: Routes): readonly number[] => {
  const places = whereIs(routes);
  return [...problem.blocks.keys()]
    .filter((block) => !places.has(block))
    .sort((a, b) => problem.blocks[b]!.leftOut - problem.blocks[a]!.leftOut);
};

/** Minutes' worth that moving a block out of its week may cost and still be called waiting without risk. */
const NO_RISK = 30;

/**
 * What can wait where a week asks for more than it has: blocks of it that cost least in a later week, until
 * the week fits; none where it does.
 */
export function canWait(made: MadeProblem, routes: Routes, week: number): readonly number[] {
  const { problem } = made;
  const { asked, there } = weekLoad(made, routes, week);
  let over = asked - there;
  if (over <= 0) return [];
  const last = 7 * week + 6;
  const inWeek = [...whereIs(routes)].filter(
    ([block, { day }]) => day >= 7 * week && day <= last && !problem.blocks[block]!.isLocked,
  );
  const later = inWeek.map(([block, { day, person }]) => {
    const { costs } = problem.blocks[block]!;
    return { block, person, more: Math.min(...costs.slice(last + 1), Infinity) - costs[day]! };
  });
  const waiting: number[] = [];
  for (const { block, person, more } of later.sort((a, b) => a.more - b.more)) {
    if (over <= 0 || more > NO_RISK) break;
    waiting.push(block);
    over -= minutesOf(problem, block, person);
  }
  return waiting;
}

/** Every block of a week sent to the cheapest place after it; the plan as it then is. */
export function withWaiting(
  { problem }: MadeProblem,
  routes: Routes,
  waiting: readonly number[],
  week: number,
): Routes {
  let now = routes;
  for (const block of waiting) {
    const rest = without(now, block);
    const standing = { routes: rest, places: whereIs(rest) };
    const offers = problem.blocks[block]!.hands.flatMap((person) =>
      Array.from({ length: problem.days - 7 * week - 7 }, (_, i) => 7 * week + 7 + i).flatMap(
        (day) => offerIn(problem, standing, block, [person, day]) ?? [],
      ),
    );
    const [first, ...others] = offers;
    if (!first) continue;
    const best = others.reduce((a, b) => (b.cost < a.cost ? b : a), first);
    now = withMoved(problem, now, block, best.place)?.routes ?? now;
  }
  return now;
}

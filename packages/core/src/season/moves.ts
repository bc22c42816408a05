import { barOf, whereIs, type Bar, type Place } from './places';
import { offerIn } from './offers';
import { dayCost, placeCost, type Routes, type SeasonProblem } from './problem';
import type { Standing } from './working';

/** A plan without one block. */
export const without = (routes: Routes, block: number): Routes =>
  routes.map((days) => days.map((route) => route.filter((each) => each !== block)));

/** A block and the plan without it: what every other place of it is held against. */
export type Mover = {
  readonly problem: SeasonProblem;
  readonly block: number;
  readonly rest: Standing;
  /** What it costs where it stands; where it has no day, what it costs to leave it out. */
  readonly here: number;
};

/** What a block adds to the ways and hours of the day in which it stands. */
export const addsTo = (
  problem: SeasonProblem,
  routes: Routes,
  block: number,
  { person, day }: Omit<Place, 'at'>,
): number => {
  const route = routes[person]![day]!;
  const rest = route.filter((each) => each !== block);
  return dayCost(problem, person, day, route) - dayCost(problem, person, day, rest);
};

export function moverOf(problem: SeasonProblem, routes: Routes, block: number): Mover {
  const own = problem.blocks[block]!;
  const place = whereIs(routes).get(block);
  const rest = without(routes, block);
  return {
    problem,
    block,
    rest: { routes: rest, places: whereIs(rest) },
    here: place
      ? placeCost(own, place.person, place.day) + addsTo(problem, routes, block, place)
      : own.leftOut,
  };
}

/** A place that the rules leave, and what the plan would cost more. */
export type VisitMove = { readonly place: Place; readonly more: number };

/** What a block would cost more in a day of somebody, or why it may not go there. */
export function moveTo(
  { problem, block, rest, here }: Mover,
  { person, day }: Omit<Place, 'at'>,
): VisitMove | Bar {
  const offer = offerIn(problem, rest, block, [person, day]);
  if (offer) return { place: offer.place, more: offer.cost - here };
  const at = rest.routes[person]![day]!.length;
  return barOf(problem, rest.routes, rest.places, { person, day, at, block }) ?? 'day_full';
}

/** The next day of a hand, earlier or later than one, that takes a block; undefined where none does. */
export function nextDay(
  mover: Mover,
  { person, day: from }: Omit<Place, 'at'>,
  way: 1 | -1,
): VisitMove | undefined {
  for (let day = from + way; day >= 0 && day < mover.problem.days; day += way) {
    const move = moveTo(mover, { person, day });
    if (typeof move !== 'string') return move;
  }
  return undefined;
}

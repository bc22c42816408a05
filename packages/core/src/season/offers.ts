import { isTooMuch, roomFor, type Place } from './places';
import { minutesOf, OVER, placeCost, wayOf, workOf, type SeasonProblem } from './problem';
import type { Standing } from './working';

export type Offer = { readonly place: Place; readonly cost: number };

/** The cheapest place of a block in a day of a person. */
export function offerIn(
  problem: SeasonProblem,
  { routes, places }: Standing,
  block: number,
  [person, day]: readonly [number, number],
): Offer | undefined {
  const room = roomFor(problem, routes, places, { block, person, day });
  if (typeof room === 'string') return undefined;
  const { blocks, travel, capacity } = problem;
  const own = blocks[block]!;
  const route = routes[person]![day]!;
  const asked = workOf(problem, route, person) + wayOf(problem, route);
  const there = capacity[person]![day]!;
  const isAlone = route.length === 0;
  const minutes = minutesOf(problem, block, person);
  let best: Offer | undefined;
  for (let at = room.from; at <= room.to; at++) {
    const left = at === 0 ? 0 : blocks[route[at - 1]!]!.leaves;
    const right = at === route.length ? 0 : blocks[route[at]!]!.enters;
    const detour =
      travel[left]![own.enters]! +
      travel[own.leaves]![right]! -
      (isAlone ? 0 : travel[left]![right]!);
    const next = asked + minutes + detour;
    if (isTooMuch(problem, { person, day }, { asked: next, isAlone })) continue;
    const over = Math.max(0, next - there) - Math.max(0, asked - there);
    const cost = placeCost(own, person, day) + detour + OVER * over;
    if (!best || cost < best.cost) best = { place: { person, day, at }, cost };
  }
  return best;
}

/** The best and the second-best place of a block; what it costs to leave it out is the measure. */
export function offersOf(
  problem: SeasonProblem,
  working: Standing,
  block: number,
): readonly Offer[] {
  const own = problem.blocks[block]!;
  const offers: Offer[] = [];
  for (const person of own.hands)
    for (let day = 0; day < problem.days; day++) {
      const soFar = offers[1]?.cost ?? own.leftOut;
      // A day that costs more by itself than two places that are known needs no closer look.
      if (!(placeCost(own, person, day) < soFar)) continue;
      const offer = offerIn(problem, working, block, [person, day]);
      if (!offer || offer.cost >= soFar) continue;
      offers.push(offer);
      offers.sort((a, b) => a.cost - b.cost);
      offers.length = Math.min(offers.length, 2);
    }
  return offers;
}

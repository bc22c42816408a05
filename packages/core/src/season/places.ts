import { MOST_OVER, wayOf, workOf, type Routes, type SeasonProblem } from './problem';

export type Place = { readonly person: number; readonly day: number; readonly at: number };

/** Why a block may not stand somewhere. */
export type Bar =
  'no_hand' | 'day_closed' | 'nobody_there' | 'day_full' | 'order' | 'thing_elsewhere';

/** Where every block stands, for looking up. */
export function whereIs(routes: Routes): ReadonlyMap<number, Place> {
  const places = new Map<number, Place>();
  routes.forEach((days, person) =>
    days.forEach((route, day) =>
      route.forEach((block, at) => places.set(block, { person, day, at })),
    ),
  );
  return places;
}

const links = new WeakMap<
  SeasonProblem,
  {
    readonly earlier: readonly (readonly number[])[];
    readonly later: readonly (readonly number[])[];
  }
>();
/** Blocks that must come before each, and after each. */
function linksOf(problem: SeasonProblem) {
  const known = links.get(problem);
  if (known) return known;
  const earlier: number[][] = problem.blocks.map(() => []);
  const later: number[][] = problem.blocks.map(() => []);
  for (const [first, then] of problem.before) {
    earlier[then]?.push(first);
    later[first]?.push(then);
  }
  const made = { earlier, later };
  links.set(problem, made);
  return made;
}

/** Where in a day a block may be put: before any of the places `from` … `to` of its route. */
export type Room = { readonly from: number; readonly to: number };

/** What keeps a block from a day of somebody, whatever else is planned. */
function shutTo(
  { blocks, capacity }: SeasonProblem,
  { block, person, day }: Omit<Place, 'at'> & { readonly block: number },
): Bar | undefined {
  const { until, costs } = blocks[block]!;
  if (day > until[person]!) return 'no_hand';
  if (!Number.isFinite(costs[day]!)) return 'day_closed';
  return capacity[person]![day]! <= 0 ? 'nobody_there' : undefined;
}

/** The room that a day of somebody has for a block, or why it has none; whether it is full is not asked. */
export function roomFor(
  problem: SeasonProblem,
  routes: Routes,
  places: ReadonlyMap<number, Place>,
  { block, person, day }: Omit<Place, 'at'> & { readonly block: number },
): Room | Bar {
  const shut = shutTo(problem, { block, person, day });
  if (shut) return shut;
  let from = 0;
  let to = routes[person]![day]!.length;
  const { earlier, later } = linksOf(problem);
  // What another hand does on the same day is neither before nor after.
  for (const other of earlier[block]!) {
    const place = places.get(other);
    if (!place || place.day < day) continue;
    if (place.day > day || place.person !== person) return 'order';
    from = Math.max(from, place.at + 1);
  }
  for (const other of later[block]!) {
    const place = places.get(other);
    if (!place || place.day > day) continue;
    if (place.day < day || place.person !== person) return 'order';
    to = Math.min(to, place.at);
  }
  if (from > to) return 'order';
  return isThingElsewhere(problem, routes, { block, person, day })
    ? 'thing_elsewhere'
    : { from, to };
}

/** Why a block may not be put before what is now at that place; undefined where it may. */
export function barOf(
  problem: SeasonProblem,
  routes: Routes,
  places: ReadonlyMap<number, Place>,
  put: Place & { readonly block: number },
): Bar | undefined {
  const room = roomFor(problem, routes, places, put);
  if (typeof room === 'string') return room;
  if (put.at < room.from || put.at > room.to) return 'order';
  const route = routes[put.person]![put.day]!;
  const next = [...route.slice(0, put.at), put.block, ...route.slice(put.at)];
  const asked = workOf(problem, next, put.person) + wayOf(problem, next);
  return isTooMuch(problem, put, { asked, isAlone: route.length === 0 }) ? 'day_full' : undefined;
}

/** Whether a day would be planned too far beyond its hours; what is longer than any day has one of its own. */
export const isTooMuch = (
  { capacity }: SeasonProblem,
  { person, day }: Omit<Place, 'at'>,
  { asked, isAlone }: { readonly asked: number; readonly isAlone: boolean },
): boolean => !isAlone && asked > capacity[person]![day]! + MOST_OVER;

function isThingElsewhere(
  problem: SeasonProblem,
  routes: Routes,
  { block, person, day }: Omit<Place, 'at'> & { readonly block: number },
): boolean {
  const { needs } = problem.blocks[block]!;
  return needs.some((thing) =>
    routes.some(
      (days, other) =>
        other !== person && days[day]!.some((each) => problem.blocks[each]!.needs.includes(thing)),
    ),
  );
}

/** Every hard rule that a plan breaks, by block: none in a plan that was made here. */
export function brokenBy(
  problem: SeasonProblem,
  routes: Routes,
): readonly { readonly block: number; readonly bar: Bar }[] {
  const places = whereIs(routes);
  return [...places].flatMap(([block, place]) => {
    const without = routes.map((days) => days.map((route) => route.filter((b) => b !== block)));
    const others = new Map(places);
    others.delete(block);
    const bar = barOf(problem, without, shifted(others, place), { ...place, block });
    return bar ? [{ block, bar }] : [];
  });
}

/** Places as they are once the block of a route is taken out. */
function shifted(
  places: ReadonlyMap<number, Place>,
  { person, day, at }: Place,
): ReadonlyMap<number, Place> {
  return new Map(
    [...places].map(([block, place]) => [
      block,
      place.person === person && place.day === day && place.at > at
        ? { ...place, at: place.at - 1 }
        : place,
    ]),
  );
}

import type { Place } from './places';
import type { Routes } from './problem';

export type Standing = { readonly routes: Routes; readonly places: ReadonlyMap<number, Place> };

/** A plan that is being worked at: what stands where, and what has no place. */
export type Working = { routes: number[][][]; places: Map<number, Place>; out: Set<number> };

/** Places of a route as they stand now. */
function renumber({ routes, places }: Working, person: number, day: number): void {
  routes[person]![day]!.forEach((block, at) => places.set(block, { person, day, at }));
}

export function put(working: Working, block: number, { person, day, at }: Place): void {
  working.routes[person]![day]!.splice(at, 0, block);
  working.out.delete(block);
  renumber(working, person, day);
}

export function take(working: Working, block: number): void {
  const place = working.places.get(block);
  if (!place) return;
  working.routes[place.person]![place.day]!.splice(place.at, 1);
  working.places.delete(block);
  working.out.add(block);
  renumber(working, place.person, place.day);
}

export const copyOf = ({ routes, places, out }: Working): Working => ({
  routes: routes.map((days) => days.map((route) => [...route])),
  places: new Map(places),
  out: new Set(out),
});

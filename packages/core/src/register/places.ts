import type { Contact, Site, Valve } from '../exchange';
import {
  barometricPressure,
  metres,
  STANDARD_ATMOSPHERE,
  type AbsolutePressure,
} from '../quantity';
import { err, ok, type Result } from '../result';

/** Most places one within another: site, hall, line, chamber and so on. */
export const DEEPEST_PLACE = 6;

/** The places from the site down to one; empty where it is not known, and a ring is walked once. */
export function pathTo(places: readonly Site[], id: string | undefined): readonly Site[] {
  const path: Site[] = [];
  let at = places.find((place) => place.id === id);
  while (at && !path.includes(at)) {
    path.unshift(at);
    const { under } = at;
    at = under === undefined ? undefined : places.find((place) => place.id === under);
  }
  return path;
}

const BETWEEN = ' / ';

/** A place as it is written out: “Larkhollow / Pump hall / Line 2”; empty where it is not known. */
export const placePath = (places: readonly Site[], id: string | undefined): string =>
  pathTo(places, id)
    .map(({ name }) => name)
    .join(BETWEEN);

/** The same without its site, where the house has no other: “Pump hall / Line 2”. */
export function shortPlacePath(places: readonly Site[], id: string): string {
  const path = pathTo(places, id);
  const sites = places.filter(({ under }) => under === undefined);
  const told = sites.length > 1 || path.length < 2 ? path : path.slice(1);
  return told.map(({ name }) => name).join(BETWEEN);
}

/** What a valve says of where it stands. */
type Standing = Pick<Valve, 'place' | 'place_id'>;

const commaFree = (name: string): string =>
  name.replaceAll(',', ' ').replaceAll(/\s+/gu, ' ').trim();
const sameWords = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

/**
 * Where a valve stands, in words with commas between: the places of the tree down to its own, then what its own
 * text adds. Of several sites the first word names the site too, so that no two areas are one.
 *
 * @example placeWords([{ id: 'l', name: 'L' }, { id: 'h', name: 'Hall', under: 'l' }], { place: 'pit', place_id: 'h' }) // → 'Hall, pit'
 */
export function placeWords(places: readonly Site[], { place, place_id: id }: Standing): string {
  const [site, ...within] = pathTo(places, id).map(({ name }) => commaFree(name));
  const said = place
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const hasSites = places.filter(({ under }) => under === undefined).length > 1;
  const told =
    hasSites && site ? [[site, within[0]].filter(Boolean).join(': '), ...within.slice(1)] : within;
  const known = [site, ...within];
  const more = said.filter((part) => !known.some((name) => name && sameWords(name, part)));
  const words = [...told, ...more];
  return words.length > 0 ? words.join(', ') : (site ?? '');
}

/** A valve as plans and lists have it: its place in the words of the tree. */
export const placedIn = <V extends Standing>(places: readonly Site[], valve: V): V => ({
  ...valve,
  place: placeWords(places, valve),
});

const plain = (text: string): string =>
  text
    .split('/')
    .map((part) => part.trim().toLowerCase())
    .join('/');

/**
 * The place that a text names: by its path, its id, or its name where only one has it.
 *
 * @errors  register.no_place
 */
export function readPlace(
  places: readonly Site[],
  text: string,
): Result<Site, { readonly code: 'register.no_place' }> {
  const wanted = plain(text);
  const named = places.filter(({ name }) => plain(name) === wanted);
  const found =
    places.find((place) => plain(placePath(places, place.id)) === wanted) ??
    places.find(({ id }) => id === text.trim()) ??
    (named.length === 1 ? named[0] : undefined);
  return found ? ok(found) : err({ code: 'register.no_place' });
}

/** What is so at a place, whether it says so itself or a place above it does. */
export type AtPlace = {
  readonly path: readonly Site[];
  readonly altitude_m: number | undefined;
  /** Where the barometer stands there, Pa absolute; as at the sea where nobody has said how high it lies. */
  readonly barometer: AbsolutePressure;
  readonly time_zone: string | undefined;
  readonly currency: string | undefined;
  readonly price_per_kwh: number | undefined;
  /** Who is asked, the nearest first. */
  readonly contacts: readonly Contact[];
  /** What has to be known before, from the site down. */
  readonly permits: readonly string[];
};

/** The house's first site: that of whatever names no place. */
export const firstSite = (places: readonly Site[]): Site | undefined =>
  places.find(({ under, closed }) => under === undefined && !closed) ??
  places.find(({ under }) => under === undefined);

/** All that holds at a place, or at the house's first site where none is named or it is not known. */
export function atPlace(places: readonly Site[], id: string | undefined): AtPlace {
  const known = pathTo(places, id);
  const path = known.length > 0 ? known : pathTo(places, firstSite(places)?.id);
  const upward = path.toReversed();
  const said = <K extends keyof Site>(key: K): Site[K] | undefined =>
    upward.find((place) => place[key] !== undefined)?.[key];
  const altitude = said('altitude_m');
  const air = barometricPressure(metres(altitude ?? 0));
  return {
    path,
    altitude_m: altitude,
    barometer: air.ok ? air.value : STANDARD_ATMOSPHERE,
    time_zone: said('time_zone'),
    currency: said('currency'),
    price_per_kwh: said('price_per_kwh'),
    contacts: upward.flatMap(({ contacts = [] }) => contacts),
    permits: path.flatMap(({ permit }) => (permit === undefined ? [] : [permit])),
  };
}

export type PlaceRow = { readonly place: Site; readonly depth: number };

/** The places in the order of their tree, each behind the one that it lies under; none is left out. */
export function placeTree(places: readonly Site[]): readonly PlaceRow[] {
  const key = ({ id }: Site) =>
    pathTo(places, id)
      .map(({ name, id: own }) => `${name.toLowerCase()} ${own}`)
      .join('\u0000');
  return places
    .map((place) => ({ place, depth: pathTo(places, place.id).length - 1, key: key(place) }))
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0))
    .map(({ place, depth }) => ({ place, depth }));
}

/** Whether a place is another one, or lies under it. */
export const liesIn = (places: readonly Site[], id: string | undefined, within: string): boolean =>
  pathTo(places, id).some((place) => place.id === within);

export type PlaceIssue =
  /** It would lie under itself, straight or by way of others. */
  | { readonly code: 'place.under_itself' }
  | { readonly code: 'place.above_unknown' }
  | { readonly code: 'place.above_closed' }
  | { readonly code: 'place.too_deep'; readonly most: number }
  /** A site has to say how high it lies: no place above it does. */
  | { readonly code: 'place.no_altitude' }
  | { readonly code: 'place.name_taken'; readonly name: string }
  | { readonly code: 'place.has_places'; readonly names: readonly string[] }
  | { readonly code: 'place.has_valves'; readonly tags: readonly string[] };

/**
 * Why a place cannot stand as it is written, beside the others of the house.
 *
 * @param place   new, or in the stead of the one with its id
 * @param places  of the house
 * @param valves  of the house, those that are retired included
 */
export function checkPlace(
  place: Site,
  places: readonly Site[],
  valves: readonly Pick<Valve, 'tag' | 'place_id' | 'retired'>[],
): PlaceIssue | undefined {
  const others = places.filter(({ id }) => id !== place.id);
  const all = [...others, place];
  return (
    issueAbove(place, others, all) ??
    issueBeside(place, others) ??
    (place.closed ? issueWithin(place, { others, all, places, valves }) : undefined)
  );
}

function issueAbove(
  place: Site,
  others: readonly Site[],
  all: readonly Site[],
): PlaceIssue | undefined {
  if (place.under === undefined)
    return place.altitude_m === undefined ? { code: 'place.no_altitude' } : undefined;
  if (place.under === place.id || liesIn(all, place.under, place.id))
    return { code: 'place.under_itself' };
  const above = others.find(({ id }) => id === place.under);
  if (!above) return { code: 'place.above_unknown' };
  if (above.closed && !place.closed) return { code: 'place.above_closed' };
  const deepest = Math.max(
    ...all.filter(({ id }) => liesIn(all, id, place.id)).map(({ id }) => pathTo(all, id).length),
  );
  return deepest > DEEPEST_PLACE ? { code: 'place.too_deep', most: DEEPEST_PLACE } : undefined;
}

function issueBeside(place: Site, others: readonly Site[]): PlaceIssue | undefined {
  const same = others.find(
    (other) =>
      other.under === place.under && !other.closed && plain(other.name) === plain(place.name),
  );
  return same && !place.closed ? { code: 'place.name_taken', name: same.name } : undefined;
}

type House = {
  readonly others: readonly Site[];
  readonly all: readonly Site[];
  readonly places: readonly Site[];
  readonly valves: readonly Pick<Valve, 'tag' | 'place_id' | 'retired'>[];
};

/** Nothing is closed over the head of what is still in use. */
function issueWithin(place: Site, { others, all, places, valves }: House): PlaceIssue | undefined {
  const names = others
    .filter((other) => other.under === place.id && !other.closed)
    .map(({ name }) => name);
  if (names.length > 0) return { code: 'place.has_places', names };
  const isFirst = firstSite(places)?.id === place.id;
  const tags = valves
    .filter(({ retired }) => !retired)
    .filter(({ place_id: at }) => {
      const isKnown = at !== undefined && all.some(({ id }) => id === at);
      return isKnown ? liesIn(all, at, place.id) : isFirst;
    })
    .map(({ tag }) => tag);
  return tags.length > 0 ? { code: 'place.has_valves', tags } : undefined;
}

import type { Site, Valve } from '../exchange';
import { placeWords } from '../register';
import { areaOf, type Season } from './season';

/** Areas by what they were called, and all that their valves’ areas are called now. */
export type RenamedAreas = ReadonlyMap<string, readonly string[]>;

/**
 * What areas are called once the tree of places has changed. Valves of one area may have gone apart: those
 * that name the place in words of their own stay where they were.
 *
 * @param valves  the register
 * @returns only those of which something is called otherwise
 */
export function renamedAreas(
  before: readonly Site[],
  after: readonly Site[],
  valves: readonly Pick<Valve, 'place' | 'place_id'>[],
): RenamedAreas {
  const names = new Map<string, Set<string>>();
  for (const valve of valves) {
    const old = areaOf(placeWords(before, valve));
    const now = areaOf(placeWords(after, valve));
    // No area at all is where the day begins: that is called nothing, and stays so.
    if (old !== '') names.set(old, (names.get(old) ?? new Set()).add(now));
  }
  return new Map(
    [...names].flatMap(([old, all]) =>
      [...all].every((now) => now === old) ? [] : [[old, [...all].sort()] as const],
    ),
  );
}

type Way = Season['travel']['table'][number];
const ends = ({ from, to }: Way): string => JSON.stringify([from, to].sort());

/** A season whose ways lead to areas by all their new names; a way that is known by them already stays as it is. */
export function withRenamedAreas(season: Season, names: RenamedAreas): Season {
  const { table } = season.travel;
  const called = (area: string) => names.get(area) ?? [area];
  const isSame = ({ from, to }: Way) => !names.has(from) && !names.has(to);
  const known = new Set(table.filter(isSame).map(ends));
  const next = table.flatMap((way): Way[] => {
    if (isSame(way)) return [way];
    const moved = called(way.from).flatMap((from) =>
      called(way.to).map((to) => ({ ...way, from, to })),
    );
    return moved.filter((each) => {
      const isNew = each.from !== each.to && !known.has(ends(each));
      known.add(ends(each));
      return isNew;
    });
  });
  return { ...season, travel: { ...season.travel, table: next } };
}

/** What an area is called now; undefined where something is still called as before, or it has gone apart. */
export function onlyNameOf(names: RenamedAreas, area: string): string | undefined {
  const all = names.get(area) ?? [];
  return all.length === 1 ? all[0] : undefined;
}

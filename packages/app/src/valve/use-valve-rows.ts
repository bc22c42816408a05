import {
  dueOf,
  familyName,
  liesIn,
  pathTo,
  unprovedRepair,
  type Site,
  type Valve,
} from '@holvek/core';
import { useMemo } from 'react';
import { afterRepair, openRunOf, standingOf, type Standing } from './valve-state';
import { useVisits } from '@/data/use-visits';
import { groupBy } from '@/data/group-by';
import { useHouseRules, useRepairs, useSites, useValves } from '@/data/queries';
import { useShelf } from '@/data/store';
import { useNow } from '@/ui/use-now';

export const standingFilters = [
  'all',
  'in hand',
  'to be proved',
  'overdue',
  'drifting',
  'never set',
  'not in order',
  'out of service',
  'in order',
  'retired',
] as const;
export type StandingFilter = (typeof standingFilters)[number];

export type ValveRow = {
  readonly valve: Valve;
  readonly standing: Standing;
  /** Signed last, ms; undefined where it never was. */
  readonly setAt: number | undefined;
  /** Likeliest day of its next look, ms. */
  readonly due: number | undefined;
};

/** Which valves are looked for; an empty place is anywhere. */
export type Looked = {
  readonly text: string;
  readonly standing: StandingFilter;
  /** A place of the register, with all that lies in it. */
  readonly placeId: string;
};

/** Whether a valve is what is looked for by its words, and lies where it is looked for. */
export function isLookedFor(
  { tag, name, place, place_id, plate }: Valve,
  { text, placeId }: Pick<Looked, 'text' | 'placeId'>,
  places: readonly Site[],
): boolean {
  const path = pathTo(places, place_id);
  const words = [tag, name, place, ...path.map((each) => each.name), familyName[plate.family]];
  return (
    words.join(' ').toLowerCase().includes(text.trim().toLowerCase()) &&
    (placeId === '' || liesIn(places, place_id, placeId))
  );
}

/** The register as a list shows it: what was typed, where it is looked for and how a valve stands choose the rows. */
export function useValveRows({ text, standing: filter, placeId }: Looked): readonly ValveRow[] {
  const { data: places } = useSites();
  const { data } = useValves();
  const { data: repairs } = useRepairs();
  const visits = useVisits();
  const shelf = useShelf();
  const rules = useHouseRules();
  const now = useNow();
  return useMemo(() => {
    const repaired = groupBy(repairs ?? [], ({ valve_id: id }) => id);
    return (data ?? [])
      .filter((valve) => isLookedFor(valve, { text, placeId }, places ?? []))
      .map((valve) => {
        const own = visits.get(valve.id) ?? [];
        const standing = standingOf(valve, own, {
          rules,
          run: openRunOf(shelf, valve.id),
          now,
        });
        return {
          valve,
          standing: afterRepair(standing, unprovedRepair(repaired.get(valve.id) ?? [], own)),
          setAt: own.at(-1)?.body.signed_at_ms,
          due: dueOf(valve, own, rules)?.likely,
        };
      })
      .filter(({ standing }) => (filter === 'all' ? standing !== 'retired' : standing === filter))
      .sort((a, b) => a.valve.tag.localeCompare(b.valve.tag, 'en', { numeric: true }));
  }, [data, filter, now, placeId, places, repairs, rules, shelf, text, visits]);
}

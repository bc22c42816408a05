import { dueOf, familyName, unprovedRepair, type Valve } from '@holvek/core';
import { useMemo } from 'react';
import { afterRepair, openRunOf, standingOf, type Standing } from './valve-state';
import { useVisits } from '@/data/use-visits';
import { groupBy } from '@/data/group-by';
import { useHouseRules, useRepairs, useValves } from '@/data/queries';
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

/** The register as a list shows it: what was typed and how a valve stands choose the rows. */
export function useValveRows(text: string, filter: StandingFilter): readonly ValveRow[] {
  const { data } = useValves();
  const { data: repairs } = useRepairs();
  const visits = useVisits();
  const shelf = useShelf();
  const rules = useHouseRules();
  const now = useNow();
  return useMemo(() => {
    const wanted = text.trim().toLowerCase();
    const repaired = groupBy(repairs ?? [], ({ valve_id: id }) => id);
    return (data ?? [])
      .filter(({ tag, name, place, plate }) =>
        `${tag} ${name} ${place} ${familyName[plate.family]}`.toLowerCase().includes(wanted),
      )
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
  }, [data, filter, now, repairs, rules, shelf, text, visits]);
}

import {
  effortOf,
  settingsOf,
  openEndsOf,
  runView,
  type Effort,
  type Round,
  type Run,
  type Valve,
  type ValveVisit,
} from '@holvek/core';
import { useEffect, useMemo } from 'react';
import { useValves } from '@/data/queries';
import { pullOpenRuns, useShelf } from '@/data/store';
import { openRunOf } from '@/valve/valve-state';
import { useVisits, visitsByFamily } from '@/data/use-visits';
import { localDay } from '@/ui/local-day';

export type RoundRow = {
  readonly valve: Valve;
  readonly run: Run | undefined;
  readonly openEnds: number;
  readonly phase: string | undefined;
  readonly lastSheet: ValveVisit | undefined;
  readonly isSignedToday: boolean;
  /** Minutes that this valve took before, else its family; undefined when none was ever done. */
  readonly minutes: number | undefined;
};

/** The valves of a round in setting order, each with where it stands. */
export function useRoundRows(round: Round | undefined): readonly RoundRow[] {
  const valves = useValves().data;
  const visits = useVisits();
  const shelf = useShelf();
  // Who else is on which valve now.
  useEffect(() => void pullOpenRuns(), []);
  return useMemo(() => {
    const ofFamily = visitsByFamily(visits);
    const byId = new Map(valves?.map((valve) => [valve.id, valve]));
    return (round?.valve_ids ?? []).flatMap((id) => {
      const valve = byId.get(id);
      const run = openRunOf(shelf, id);
      // A retired valve is not set any more, unless somebody still stands before it.
      if (!valve || (valve.retired && !run)) return [];
      const own = visits.get(id) ?? [];
      const lastSheet = own.at(-1);
      return [
        {
          valve,
          run,
          openEnds: run ? openEndsOf(run).length : 0,
          phase: run ? runView(run).step?.phase : undefined,
          lastSheet,
          isSignedToday:
            lastSheet !== undefined && localDay(lastSheet.body.signed_at_ms) >= (round?.day ?? ''),
          minutes: knownMinutes(
            effortOf(own, ofFamily.get(valve.plate.family) ?? [], settingsOf(valve)),
          ),
        },
      ];
    });
  }, [round, visits, shelf, valves]);
}

const knownMinutes = ({ minutes, from }: Effort): number | undefined =>
  from === 'usual' ? undefined : minutes;

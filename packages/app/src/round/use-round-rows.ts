import {
  openEndsOf,
  runView,
  type Round,
  type Run,
  type Valve,
  type ValveVisit,
} from '@holvek/core';
import { useMemo } from 'react';
import { useValves } from '@/data/queries';
import { useShelf } from '@/data/store';
import { openRunOf } from '@/valve/valve-state';
import { useVisits, type Visits } from '@/valve/use-visits';
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
  return useMemo(() => {
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
          minutes: meanMinutes(own) ?? meanMinutes(ofFamily(visits, valve)),
        },
      ];
    });
  }, [round, visits, shelf, valves]);
}

/** Visits to other valves of the family: what such a run takes when this one was never done. */
const ofFamily = (visits: Visits, valve: Valve): readonly ValveVisit[] =>
  [...visits.values()].flat().filter(({ body }) => body.plate.family === valve.plate.family);

const meanMinutes = (sheets: readonly ValveVisit[]): number | undefined =>
  sheets.length === 0
    ? undefined
    : sheets.reduce((sum, { body }) => sum + (body.signed_at_ms - body.started_at_ms) / 60_000, 0) /
      sheets.length;

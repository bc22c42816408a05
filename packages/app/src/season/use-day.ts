import {
  restOfDay,
  rowOf,
  USUAL_START,
  type DayNow,
  type Person,
  type RestOfDay,
  type Valve,
} from '@holvek/core';
import { useShelf } from '@/data/store';
import { useVisits, type Visits } from '@/data/use-visits';
import { localDay } from '@/ui/local-day';
import { useMinute } from '@/ui/use-minute';
import { openRunOf } from '@/valve/valve-state';
import type { SeasonDesk } from './use-season-desk';

/** One person's day as it stands now. */
export type DayDesk = {
  readonly person: Person | undefined;
  /** Its place among the days and people of the plan; negative where it has none. */
  readonly at: number;
  readonly p: number;
  readonly route: readonly number[];
  /** Valves that are left, in their order. */
  readonly own: readonly Valve[];
  readonly begins: number;
  readonly rest: RestOfDay | undefined;
};

/** Who is meant: the one who was asked for, else the first who has something to do that day. */
const whoOf = ({ made, routes }: SeasonDesk, at: number, personId: string | undefined): number =>
  personId
    ? made.people.findIndex(({ id }) => id === personId)
    : made.people.findIndex((_, i) => (routes[i]?.[at] ?? []).length > 0);

export function useDay(desk: SeasonDesk, day: string, personId: string | undefined): DayDesk {
  const { season, made, routes, valves } = desk;
  const now = useMinute();
  const visits = useVisits();
  const shelf = useShelf();
  const at = made.days.indexOf(day);
  const p = whoOf(desk, at, personId);
  const person = made.people[p];
  const route = routes[p]?.[at] ?? [];
  const own = route.flatMap((block) =>
    made.problem.blocks[block]!.valves.flatMap((id) => valves.get(id) ?? []),
  );
  const begins = season.crew.find(({ person_id: id }) => id === person?.id)?.starts ?? USUAL_START;
  const isToday = localDay(now) === day;
  const runs = own.flatMap(({ id }) => openRunOf(shelf, id) ?? []);
  const here: DayNow = isToday
    ? {
        now: Math.max(begins, minuteOf(now)),
        at: lastRow(desk, visits, { day, person }),
        begun: begunOf(desk, runs[0]?.started, day),
      }
    : { now: begins, at: 0 };
  const rest =
    person && at >= 0
      ? restOfDay(made.problem, routes, { person: p, day: at }, { begins, ...here })
      : undefined;
  return { person, at, p, route, own, begins, rest };
}

const minuteOf = (ms: number): number => {
  const date = new Date(ms);
  return date.getHours() * 60 + date.getMinutes();
};

/** Where the last of what is planned for him today was done; where the day begins when nothing was yet. */
function lastRow(
  { season, made, valves }: SeasonDesk,
  visits: Visits,
  { day, person }: { readonly day: string; readonly person: Person | undefined },
): number {
  const done = season.plan
    .filter((planned) => planned.day === day && planned.person_id === person?.id)
    .flatMap(({ valve_id: id }) => visits.get(id)?.at(-1) ?? [])
    .filter(({ body }) => localDay(body.signed_at_ms) === day)
    .sort((a, b) => a.body.signed_at_ms - b.body.signed_at_ms);
  const place = valves.get(done.at(-1)?.body.valve_id ?? '')?.place;
  return place === undefined ? 0 : rowOf(made, place);
}

/** What is in hand: a run that was begun today. */
function begunOf(
  { made }: SeasonDesk,
  started: { readonly valve_id: string; readonly at_ms: number } | undefined,
  day: string,
): DayNow['begun'] {
  const block = started && made.blockOf.get(started.valve_id);
  return block !== undefined && localDay(started!.at_ms) === day
    ? { block, since: minuteOf(started!.at_ms) }
    : undefined;
}

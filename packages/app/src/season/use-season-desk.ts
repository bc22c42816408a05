import {
  defaultPeopleRules,
  effortOf,
  settingsOf,
  isDone,
  isInstrument,
  judgeOf,
  makeProblem,
  planOf,
  routesNow,
  wantedOf,
  type Gauge,
  type HouseRules,
  type MadeProblem,
  type Person,
  type Routes,
  type Season,
  type SeasonVisit,
  type Valve,
} from '@holvek/core';
import { useMemo } from 'react';
import { usePlacedValves } from '@/data/use-placed-valves';
import {
  useGauges,
  useHouseRules,
  usePeople,
  useRepairs,
  useSeasons,
  useSystems,
} from '@/data/queries';
import { fitnessFor } from '@/gauge/gauge-choice';
import { usePeopleRules } from '@/people/use-licence';
import { localDay, today } from '@/ui/local-day';
import { useVisits, visitsByFamily, type Visits } from '@/data/use-visits';

/** Everything that the season's screens stand on. */
export type SeasonDesk = {
  readonly season: Season;
  readonly made: MadeProblem;
  /** As it is planned now. */
  readonly routes: Routes;
  readonly visits: readonly SeasonVisit[];
  readonly valves: ReadonlyMap<string, Valve>;
  readonly people: readonly Person[];
  readonly today: string;
};

/** The season that is looked at: the one that begins last. */
export const latestSeason = (seasons: readonly Season[]): Season | undefined =>
  [...seasons].sort((a, b) => a.from.localeCompare(b.from)).at(-1);

/** The season and its figures; undefined while something is still fetched, or where there is no season. */
export function useSeasonDesk(): SeasonDesk | undefined {
  const seasons = useSeasons().data;
  const valves = usePlacedValves();
  const gauges = useGauges().data;
  const people = usePeople().data;
  const systems = useSystems().data;
  const repairs = useRepairs().data;
  const rules = useHouseRules();
  const { data: peopleRules = defaultPeopleRules } = usePeopleRules();
  const visits = useVisits();
  return useMemo(() => {
    const season = seasons && latestSeason(seasons);
    if (!season || !valves || !gauges || !people || !systems || !repairs) return undefined;
    const ofFamily = visitsByFamily(visits);
    const all = valves
      .filter(({ retired }) => retired === undefined)
      .map((valve) => visitOf(valve, { visits, ofFamily, repairs, gauges, rules }));
    const made = makeProblem({
      season,
      visits: all,
      people,
      peopleRules,
      systems,
      today: today(),
      past: [...visits.values()].flat(),
    });
    return {
      season,
      made,
      routes: routesNow(made.problem),
      visits: all,
      valves: new Map(valves.map((valve) => [valve.id, valve])),
      people,
      today: today(),
    };
  }, [seasons, valves, gauges, people, systems, repairs, rules, peopleRules, visits]);
}

type From = {
  readonly visits: Visits;
  readonly ofFamily: ReturnType<typeof visitsByFamily>;
  readonly repairs: Parameters<typeof wantedOf>[1]['repairs'];
  readonly gauges: readonly Gauge[];
  readonly rules: HouseRules;
};

function visitOf(valve: Valve, { visits, ofFamily, repairs, gauges, rules }: From): SeasonVisit {
  const own = visits.get(valve.id) ?? [];
  const last = own.at(-1);
  return {
    valve,
    wanted: wantedOf(valve, {
      visits: own,
      repairs,
      gauges,
      rules,
      today: today(),
      dayOf: localDay,
    }),
    effort: effortOf(own, ofFamily.get(valve.plate.family) ?? [], settingsOf(valve)),
    doneOn: last && localDay(last.body.signed_at_ms),
    onlyGauge: onlyGaugeFor(valve, gauges, rules),
  };
}

/** The tag of the only gauge that fits a valve; a calibrator is carried by every hand. */
function onlyGaugeFor(
  valve: Valve,
  gauges: readonly Gauge[],
  rules: HouseRules,
): string | undefined {
  if (isInstrument(valve.plate)) return undefined;
  const fit = gauges.filter(
    (gauge) =>
      fitnessFor(gauge, valve, judgeOf(valve.plate), { rules, today: today() }).grade !== 'unfit',
  );
  return fit.length === 1 ? fit[0]!.tag : undefined;
}

/** The season with another plan: what is done stays in it. */
export const withRoutes = ({ season, made, visits }: SeasonDesk, routes: Routes): Season => {
  const done = new Set(
    visits.filter((visit) => isDone(season, visit)).map(({ valve }) => valve.id),
  );
  return {
    ...season,
    plan: [
      ...season.plan.filter(({ valve_id }) => done.has(valve_id)),
      ...planOf(made, routes, season.plan),
    ],
  };
};

import { lackedLicence } from '../family';
import { feedersOf, type System } from '../ladder';
import type { Valve } from '../exchange';
import type { PeopleRules, Person } from '../people';
import type { ValveVisit } from '../sheet';
import { isStrict, type Duty } from '../valve';
import type { Effort } from './effort';
import { pacesOf } from './pace';
import type { SeasonBlock, SeasonProblem } from './problem';
import {
  allowsDay,
  areaOf,
  dayAfter,
  dayRulesFor,
  daysBetween,
  isWithin,
  weekdayOf,
  type Season,
} from './season';
import type { Wanted } from './wanted';

/** A valve that wants a visit in the season. */
export type SeasonVisit = {
  readonly valve: Pick<Valve, 'id' | 'tag' | 'place' | 'plate'>;
  readonly wanted: Wanted;
  readonly effort: Pick<Effort, 'minutes' | 'spread'>;
  /** Day of its last record: what was planned until then is done. */
  readonly doneOn?: string | undefined;
  /** The only gauge that can judge it, where there is only one. */
  readonly onlyGauge?: string | undefined;
};

export type SeasonInput = {
  readonly season: Season;
  readonly visits: readonly SeasonVisit[];
  readonly people: readonly Person[];
  readonly peopleRules: PeopleRules;
  readonly systems: readonly System[];
  readonly today: string;
  /** What hands took before; all as long as each other where it is not said. */
  readonly past?: readonly ValveVisit[];
};

/** A season as figures, and what its figures mean. */
export type MadeProblem = {
  readonly problem: SeasonProblem;
  readonly days: readonly string[];
  readonly people: readonly Person[];
  readonly visits: ReadonlyMap<string, SeasonVisit>;
  readonly blockOf: ReadonlyMap<string, number>;
};

/** Minutes' worth of a day that a visit is too early, late within its grace, and late beyond it; by duty. */
const EARLY = 0.3;
const WAITING = 4;
const LATE = 24;
const worthOf = (duty: Duty): number => (isStrict(duty) ? 3 : duty === 'comfort' ? 0.5 : 1);
/** Minutes' worth of leaving a due visit out of the season altogether. */
const LEFT_OUT = 600;
/** What is not due before so many days after the season's end is no visit of it. */
const LOOK_AHEAD = 14;

/** What a visit is worth on each day: nothing in its window, little before, ever more after. */
export function dayWorth(
  { duty, earliest, likely, late }: Wanted,
  from: string,
  day: number,
): number {
  const worth = worthOf(duty);
  const early = Math.max(0, daysBetween(from, earliest) - day);
  const waiting = Math.max(0, day - Math.max(0, daysBetween(from, likely)));
  const beyond = Math.max(0, day - Math.max(0, daysBetween(from, late)));
  return EARLY * early + worth * (WAITING * waiting + LATE * beyond);
}

type Making = SeasonInput & {
  readonly days: readonly string[];
  readonly crew: readonly Person[];
  readonly areas: ReadonlyMap<string, number>;
  readonly travel: readonly (readonly number[])[];
};

/** Puts a season into figures. Valves that are done or not wanted in it are left out, unless they are held. */
export function makeProblem(input: SeasonInput): MadeProblem {
  const { season, people } = input;
  const days = Array.from({ length: season.weeks * 7 }, (_, i) => dayAfter(season.from, i));
  const held = new Set(season.plan.flatMap((each) => (each.locked ? [each.valve_id] : [])));
  const horizon = dayAfter(season.from, days.length + LOOK_AHEAD);
  const visits = input.visits.filter(
    (visit) =>
      !isDone(season, visit) && (visit.wanted.earliest <= horizon || held.has(visit.valve.id)),
  );
  const byId = new Map(visits.map((visit) => [visit.valve.id, visit]));
  const crew = season.crew.flatMap(({ person_id }) => people.filter(({ id }) => id === person_id));
  const areas = areasOf(visits);
  const making = { ...input, days, crew, areas, travel: travelOf(season, areas) };
  const groups = groupsOf(season, byId);
  const blocks = groups.map((group) => blockOf(making, group));
  const blockIndex = new Map(groups.flatMap((group, i) => group.map(({ valve }) => [valve.id, i])));
  return {
    problem: {
      days: days.length,
      capacity: crew.map((person) => capacityOf(making, person)),
      blocks,
      travel: making.travel,
      paces: pacesOf(
        crew.map(({ name }) => name),
        input.past ?? [],
      ),
      before: beforeOf(input, blockIndex),
    },
    days,
    people: crew,
    visits: byId,
    blockOf: blockIndex,
  };
}

/** Whether a valve was visited on the day for which it is planned, or since. */
export const isDone = (
  { plan }: Pick<Season, 'plan'>,
  { valve, doneOn }: Pick<SeasonVisit, 'valve' | 'doneOn'>,
): boolean => {
  const planned = plan.find(({ valve_id }) => valve_id === valve.id);
  return planned !== undefined && doneOn !== undefined && doneOn >= planned.day;
};

/** Areas as rows of the travel table; row 0 is where the day begins. */
const areasOf = (visits: readonly SeasonVisit[]): ReadonlyMap<string, number> =>
  new Map(
    [...new Set(visits.map(({ valve }) => areaOf(valve.place)))].map((area, i) => [area, i + 1]),
  );

/** Minutes from place to place within one area. */
const WITHIN_AREA = 3;

function travelOf(
  { travel: { usual, table } }: Season,
  areas: ReadonlyMap<string, number>,
): readonly (readonly number[])[] {
  const names = ['', ...areas.keys()];
  const known = new Map(
    table.flatMap(({ from, to, minutes }) => [
      [JSON.stringify([from, to]), minutes],
      [JSON.stringify([to, from]), minutes],
    ]),
  );
  return names.map((from) =>
    names.map((to) =>
      from === to
        ? from === ''
          ? 0
          : WITHIN_AREA
        : (known.get(JSON.stringify([from, to])) ?? usual),
    ),
  );
}

/** Valves that are visited in one go, and every other one by itself. */
function groupsOf(
  { rules }: Season,
  byId: ReadonlyMap<string, SeasonVisit>,
): readonly (readonly SeasonVisit[])[] {
  const taken = new Set<string>();
  const tied = rules.flatMap((rule) => {
    if (rule.kind !== 'together') return [];
    const group = rule.valve_ids.filter((id) => byId.has(id) && !taken.has(id));
    for (const id of group) taken.add(id);
    return group.length > 0 ? [group.map((id) => byId.get(id)!)] : [];
  });
  const single = [...byId.values()].filter(({ valve }) => !taken.has(valve.id));
  return [...tied, ...single.map((visit) => [visit])];
}

function capacityOf(
  { season, days, today }: Making,
  { id, left_on: left }: Person,
): readonly number[] {
  const member = season.crew.find(({ person_id }) => person_id === id)!;
  return days.map((day) => {
    const isOff =
      day < today ||
      (left !== undefined && day > left) ||
      season.closed.some((span) => isWithin(day, span)) ||
      member.away.some((span) => isWithin(day, span));
    return isOff ? 0 : member.week[weekdayOf(day)]!;
  });
}

function blockOf(making: Making, group: readonly SeasonVisit[]): SeasonBlock {
  const { season, days, crew, areas, travel } = making;
  const rows = group.map(({ valve }) => areas.get(areaOf(valve.place))!);
  const inside = rows.slice(1).reduce((sum, row, i) => sum + travel[rows[i]!]![row]!, 0);
  const ids = group.map(({ valve }) => valve.id);
  const turn = season.plan.findIndex(({ valve_id }) => valve_id === ids[0]);
  const now = season.plan[turn];
  const person = crew.findIndex(({ id }) => id === now?.person_id);
  const day = now ? days.indexOf(now.day) : -1;
  // What was planned for a day that is over, and was not done, wants a new one.
  const isThere = person >= 0 && day >= 0 && days[day]! >= making.today;
  const isLocked = isThere && now?.locked === true;
  const rules = dayRulesFor(season, ids);
  const mayOn = (iso: string) =>
    (isLocked && iso === days[day]) || rules.every((rule) => allowsDay(rule, iso));
  const until = crew.map((hand) => lastDayOf(making, group, hand));
  const sum = (worth: (visit: SeasonVisit) => number) =>
    group.reduce((total, visit) => total + worth(visit), 0);
  return {
    valves: ids,
    enters: rows[0]!,
    leaves: rows.at(-1)!,
    minutes: sum(({ effort }) => effort.minutes) + season.around + inside,
    work: sum(({ effort }) => effort.minutes),
    costs: days.map((iso, i) =>
      mayOn(iso) ? sum(({ wanted }) => dayWorth(wanted, season.from, i)) : Infinity,
    ),
    leftOut: sum(
      ({ wanted }) =>
        dayWorth(wanted, season.from, days.length) +
        (wanted.likely <= days.at(-1)! ? LEFT_OUT * worthOf(wanted.duty) : 0),
    ),
    hands: until.flatMap((last, hand) => (last >= 0 ? [hand] : [])),
    until,
    needs: [...new Set(group.flatMap(({ onlyGauge }) => onlyGauge ?? []))],
    ...(isThere ? { now: { person, day, turn } } : {}),
    isLocked,
  };
}

/** The last day on which somebody may work on all of a group; −1 where a licence is lacking from the first. */
const lastDayOf = (
  { days, peopleRules }: Making,
  group: readonly SeasonVisit[],
  person: Person,
): number =>
  days.findLastIndex((day) =>
    group.every(
      ({ valve }) =>
        lackedLicence({ person, family: valve.plate.family, rules: peopleRules, day }) ===
        undefined,
    ),
  );

/** What comes before what: as the owner says, and upstream before downstream. */
function beforeOf(
  { season, systems }: SeasonInput,
  blockIndex: ReadonlyMap<string, number>,
): SeasonProblem['before'] {
  const own = season.rules.flatMap((rule) =>
    rule.kind === 'before' ? [[rule.first, rule.then] as const] : [],
  );
  const upstream = systems.flatMap(({ rungs }) => {
    const byId = new Map(rungs.map((rung) => [rung.id, rung]));
    return rungs.flatMap(({ id, valve_id: then }) =>
      feedersOf(id, byId).flatMap((feeder) => {
        const first = byId.get(feeder)?.valve_id;
        return first !== undefined && then !== undefined && first !== then
          ? [[first, then] as const]
          : [];
      }),
    );
  });
  const pairs = new Map<string, readonly [number, number]>();
  for (const [first, then] of [...own, ...upstream]) {
    const [a, b] = [blockIndex.get(first), blockIndex.get(then)];
    if (a === undefined || b === undefined || a === b) continue;
    pairs.set(`${a} ${b}`, [a, b]);
  }
  return withoutCircles([...pairs.values()]);
}

/** A pair that would close a circle is let go: what was said first stands. */
function withoutCircles(
  pairs: readonly (readonly [number, number])[],
): readonly (readonly [number, number])[] {
  const after = new Map<number, number[]>();
  const reaches = (from: number, to: number): boolean =>
    from === to || (after.get(from) ?? []).some((next) => reaches(next, to));
  return pairs.filter(([first, then]) => {
    if (reaches(then, first)) return false;
    after.set(first, [...(after.get(first) ?? []), then]);
    return true;
  });
}

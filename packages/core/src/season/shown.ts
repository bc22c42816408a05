import { writeCsv, type Valve } from '../exchange';
import { familyName, type Family } from '../family';
import type { Gauge } from '../gauge';
import { drivenExcess, excessHeat, foundBeside, solveLadder, type System } from '../ladder';
import { driftOfVisits } from '../register';
import type { Sheet, ValveVisit } from '../sheet';
import { middle } from './effort';
import { areaOf, dayAfter, type Season } from './season';

/** One bar: what it is about, how long it is, and out of how many that was seen. */
export type ShownRow = {
  readonly label: string;
  readonly value: number;
  readonly count: number;
};
/** By what found-outside is told apart. */
export const toldBy = ['family', 'spring', 'area', 'left_alone'] as const;
export type ToldBy = (typeof toldBy)[number];

const YEAR_MS = 365.25 * 86_400_000;

type Known = ReadonlyMap<string, Pick<Valve, 'place' | 'target' | 'plate'>>;
export type VisitsOf = ReadonlyMap<string, readonly ValveVisit[]>;

/** Values by their group, as one row a group. */
function grouped(
  items: readonly { readonly group: string; readonly value: number }[],
  of: (values: readonly number[]) => number,
): readonly ShownRow[] {
  const groups = new Map<string, number[]>();
  for (const { group, value } of items) {
    const known = groups.get(group);
    if (known) known.push(value);
    else groups.set(group, [value]);
  }
  return [...groups]
    .map(([label, values]) => ({ label, value: of(values), count: values.length }))
    .sort((a, b) => b.value - a.value || b.count - a.count || a.label.localeCompare(b.label));
}

const share = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** How long a valve had been left alone, in words; undefined for its first visit. */
function leftAlone(since: number | undefined, now: number): string | undefined {
  if (since === undefined) return undefined;
  const years = (now - since) / YEAR_MS;
  if (years < 0.5) return 'under half a year';
  if (years < 1) return 'half a year to a year';
  return years < 2 ? 'one to two years' : 'over two years';
}

/**
 * Visits whose leading setting was found outside its lane, as a share of those on which it was read as found.
 *
 * @param from  visits signed from this moment on, ms
 */
export function foundOutside(
  visits: VisitsOf,
  known: Known,
  { by, from }: { readonly by: ToldBy; readonly from: number },
): readonly ShownRow[] {
  const items = [...visits].flatMap(([id, own]) =>
    own.flatMap(({ body }, i) => {
      const setting = body.settings[0];
      if (!setting || setting.as_found_pa === null || body.signed_at_ms < from) return [];
      const { set_point_pa: set, tolerance_pa: tolerance } = setting.target;
      const group = {
        family: familyName[body.plate.family as Family],
        spring: body.plate.fitted_spring || undefined,
        area: areaOf(known.get(id)?.place ?? '') || undefined,
        left_alone: leftAlone(own[i - 1]?.body.signed_at_ms, body.signed_at_ms),
      }[by];
      const isOutside = Math.abs(setting.as_found_pa - set) > tolerance;
      return group === undefined ? [] : [{ group, value: isOutside ? 1 : 0 }];
    }),
  );
  return grouped(items, share);
}

/** How fast settings wander: the median over valves of |drift|, lanes (tolerances) a year, by spring or by area. */
export function driftShown(
  visits: VisitsOf,
  known: Known,
  by: 'spring' | 'area',
): readonly ShownRow[] {
  const items = [...known].flatMap(([id, valve]) => {
    const drift = driftOfVisits(valve, visits.get(id) ?? []);
    const group = by === 'spring' ? valve.plate.fitted_spring : areaOf(valve.place);
    if (!drift || group === '') return [];
    const perYear = (Math.abs(drift.perDay) * 365.25) / valve.target.tolerance_pa;
    return [{ group, value: perYear }];
  });
  return grouped(items, middle);
}

/** How many moves a setting takes: the mean by kind, of records that were set by moves. */
export function movesShown(
  sheets: readonly Pick<Sheet, 'body'>[],
  from: number,
): readonly ShownRow[] {
  const items = sheets.flatMap(({ body }) => {
    if (body.rehearsal || body.signed_at_ms < from) return [];
    return body.settings
      .map(({ dots }) => dots.filter(({ turns }) => turns !== 0).length)
      .filter((moves) => moves > 0)
      .map((value) => ({ group: familyName[body.plate.family], value }));
  });
  return grouped(items, share);
}

/** A week of a season: minutes that its visits were planned to take, and took. */
export type WeekHours = {
  readonly week: string;
  readonly planned: number;
  readonly used: number;
  readonly done: number;
  readonly missed: number;
};

/**
 * Hours planned against used, week by week, for the days of the plan that are over.
 *
 * @param minutesOf  what a visit was planned to take
 * @param dayOf      the day of a moment (ms) by the calendar of the place
 */
export function hoursShown(
  { from, weeks, plan }: Pick<Season, 'from' | 'weeks' | 'plan'>,
  visits: VisitsOf,
  {
    today,
    minutesOf,
    dayOf,
  }: {
    readonly today: string;
    readonly minutesOf: (valveId: string) => number;
    readonly dayOf: (ms: number) => string;
  },
): readonly WeekHours[] {
  return Array.from({ length: weeks }, (_, week) => {
    const first = dayAfter(from, 7 * week);
    const last = dayAfter(first, 6);
    const due = plan.filter(({ day }) => day >= first && day <= last && day < today);
    const done = due.flatMap(({ valve_id: id }) => {
      const visit = visits.get(id)?.findLast(({ body }) => {
        const day = dayOf(body.signed_at_ms);
        return day >= first && day <= last;
      });
      return visit
        ? [{ id, minutes: (visit.body.signed_at_ms - visit.body.started_at_ms) / 6e4 }]
        : [];
    });
    const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
    return {
      week: first,
      planned: sum(due.map(({ valve_id: id }) => minutesOf(id))),
      used: sum(done.map(({ minutes }) => minutes)),
      done: done.length,
      missed: due.length - done.length,
    };
  }).filter(({ planned }) => planned > 0);
}

/** What pressure that nothing needs costs a year, by system as it was last found. */
export const excessShown = (systems: readonly System[]): readonly ShownRow[] =>
  systems
    .flatMap((system) => {
      const solved = solveLadder(system);
      if (!solved.ok) return [];
      const beside = foundBeside(system, solved.value);
      const { costPerYear } = excessHeat(drivenExcess(system, beside), system.economy);
      const read = beside.filter(({ word }) => word !== 'not_read').length;
      return read > 0 ? [{ label: system.name, value: costPerYear, count: read }] : [];
    })
    .sort((a, b) => b.value - a.value);

/** Sheets that each gauge has judged, and how often it failed a check. */
export type GaugeShown = {
  readonly tag: string;
  readonly judged: number;
  readonly failed: number;
  readonly due: string;
};
export function gaugesShown(gauges: readonly Gauge[], visits: VisitsOf): readonly GaugeShown[] {
  const judged = new Map<string, number>();
  for (const { body } of [...visits.values()].flat()) {
    const role = body.settings[0]?.role;
    const id =
      role && role in body.gauges ? body.gauges[role as keyof typeof body.gauges]?.id : undefined;
    if (id !== undefined) judged.set(id, (judged.get(id) ?? 0) + 1);
  }
  return gauges
    .map(({ id, tag, failures = [], calibration_due_on: due }) => ({
      tag,
      judged: judged.get(id) ?? 0,
      failed: failures.length,
      due,
    }))
    .sort((a, b) => b.judged - a.judged || a.tag.localeCompare(b.tag));
}

/** Rows as CSV, with the heads that they are shown under. */
export const writeShownCsv = (
  heads: readonly [label: string, value: string, count: string],
  rows: readonly ShownRow[],
): string =>
  writeCsv(
    heads,
    rows.map(({ label, value, count }) => [label, Number(value.toPrecision(6)), count]),
  );

import { writeCsv, type Valve } from '../exchange';
import type { MadeProblem } from './make-problem';
import type { Routes } from './problem';
import { rulesFor, type Season } from './season';
import type { WantedBecause } from './wanted';

/** One planned visit, as it is handed out. */
export type PlanLine = {
  readonly day: string;
  readonly person: string;
  /** Its place in the day, from 1. */
  readonly order: number;
  readonly valve: Pick<Valve, 'id' | 'tag' | 'name' | 'place'>;
  readonly minutes: number;
  readonly because: WantedBecause;
  readonly earliest: string;
  readonly likely: string;
  readonly late: string;
  /** The owner's rules that speak of it. */
  readonly why: readonly string[];
};

/** A plan day by day, hand by hand, in the order of the day; a valve that is not known here any more is left out. */
export function planLines(
  { problem, days, people, visits }: MadeProblem,
  routes: Routes,
  { rules }: Pick<Season, 'rules'>,
  valves: ReadonlyMap<string, PlanLine['valve']>,
): readonly PlanLine[] {
  return days.flatMap((day, d) =>
    people.flatMap(({ name: person }, p) =>
      (routes[p]?.[d] ?? [])
        .flatMap((block) => problem.blocks[block]!.valves)
        .flatMap((id) => {
          const valve = valves.get(id);
          const visit = visits.get(id);
          return valve && visit ? [{ valve, visit }] : [];
        })
        .map(({ valve, visit: { wanted, effort } }, i) => ({
          day,
          person,
          order: i + 1,
          valve,
          minutes: Math.round(effort.minutes * (problem.paces?.[p] ?? 1)),
          because: wanted.because,
          earliest: wanted.earliest,
          likely: wanted.likely,
          late: wanted.late,
          why: rulesFor(rules, valve.id).map(({ why }) => why),
        })),
    ),
  );
}

const columns = [
  'day',
  'person',
  'order',
  'tag',
  'name',
  'place',
  'minutes',
  'because',
  'earliest',
  'likely',
  'late_from',
  'rules',
] as const;

/** A plan as CSV: one visit a row, days as ISO 8601. */
export const writePlanCsv = (lines: readonly PlanLine[]): string =>
  writeCsv(
    columns,
    lines.map(({ day, person, order, valve, minutes, because, earliest, likely, late, why }) => [
      day,
      person,
      order,
      valve.tag,
      valve.name,
      valve.place,
      minutes,
      because,
      earliest,
      likely,
      late,
      why.join('; '),
    ]),
  );

import {
  driftOfVisits,
  dueOf,
  isPractice,
  needsAnswer,
  type Repair,
  openEndsOf,
  type HouseRules,
  type Run,
  type Valve,
  type ValveVisit,
} from '@holvek/core';
import type { ShelfEntry } from '@/data/run-shelf';
import type { Tone } from '@/ui/card';

export const openRunOf = (
  shelf: ReadonlyMap<string, ShelfEntry>,
  valveId: string,
): Run | undefined =>
  [...shelf.values()]
    .map(({ run }) => run)
    .filter(
      (run) =>
        run.started.valve_id === valveId &&
        !isPractice(run.started) &&
        (run.status === 'open' || run.status === 'paused'),
    )
    .sort((a, b) => b.lastAtMs - a.lastAtMs)[0];

/** Practice that was begun and not signed, the latest first. */
export const openPracticeOf = (shelf: ReadonlyMap<string, ShelfEntry>): readonly Run[] =>
  [...shelf.values()]
    .map(({ run }) => run)
    .filter(
      ({ started, status }) => isPractice(started) && (status === 'open' || status === 'paused'),
    )
    .sort((a, b) => b.lastAtMs - a.lastAtMs);

/** Runs of a valve that were given up with something still open. */
export const givenUpRunsOf = (
  shelf: ReadonlyMap<string, ShelfEntry>,
  valveId: string,
): readonly Run[] =>
  [...shelf.values()]
    .map(({ run }) => run)
    .filter(
      (run) =>
        run.started.valve_id === valveId &&
        !isPractice(run.started) &&
        run.status === 'abandoned' &&
        openEndsOf(run).length > 0,
    );

export type Standing =
  | 'never set'
  | 'overdue'
  | 'drifting'
  | 'in hand'
  | 'to be proved'
  | 'in order'
  | 'no margin'
  | 'not all proved'
  | 'not in order'
  | 'out of service'
  | 'retired';

export const standingTone: Readonly<Record<Standing, Tone>> = {
  'never set': 'quiet',
  overdue: 'stop',
  drifting: 'stop',
  'in hand': 'work',
  'to be proved': 'work',
  'in order': 'good',
  'no margin': 'work',
  'not all proved': 'work',
  'not in order': 'stop',
  'out of service': 'stop',
  retired: 'quiet',
};

/** Where a valve stands today, in a word. */
export function standingOf(
  valve: Valve,
  visits: readonly ValveVisit[],
  {
    rules,
    run,
    now,
  }: { readonly rules: HouseRules; readonly run: Run | undefined; readonly now: number },
): Standing {
  if (run) return 'in hand';
  if (valve.retired) return 'retired';
  const last = visits.at(-1)?.body;
  if (last?.outcome === 'out_of_service') return 'out of service';
  if (last && needsAnswer(last)) return 'not in order';
  const due = dueOf(valve, visits, rules);
  if (!due) return 'never set';
  if (driftOfVisits(valve, visits)?.isDrifting) return 'drifting';
  if (due.lateFrom < now) return 'overdue';
  return (last?.verdict && shortOf[last.verdict]) ?? 'in order';
}

/** The same after a repair that no record has come after: what was found before it no longer counts. */
export const afterRepair = (standing: Standing, repair: Repair | undefined): Standing =>
  repair === undefined || standing === 'in hand' || standing === 'retired'
    ? standing
    : 'to be proved';

/** Verdicts that stand without being a full pass. */
const shortOf: Readonly<Partial<Record<string, Standing>>> = {
  pass_without_margin: 'no margin',
  not_proved: 'not all proved',
};

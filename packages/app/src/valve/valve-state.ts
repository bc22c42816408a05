import { addMonths } from 'date-fns/addMonths';
import {
  driftOf,
  isPractice,
  judgingGauge,
  needsAnswer,
  type Repair,
  openEndsOf,
  resultUncertainty,
  type Drift,
  type HouseRules,
  type Run,
  type Valve,
  type ValveVisit,
} from '@holvek/core';
import type { ShelfEntry } from '@/data/run-shelf';
import type { Tone } from '@/ui/card';

const DAY = 86_400_000;

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

/** When a valve wants its next look, from its visits, oldest first: drift decides where it comes sooner than the house's interval. */
export function nextLook(
  valve: Valve,
  visits: readonly ValveVisit[],
  rules: HouseRules,
): Date | undefined {
  // A visit that turned nothing proves nothing anew: the one before it still counts.
  const last = visits.findLast(({ body }) => body.outcome !== 'left_as_found');
  if (!last) return undefined;
  const byHouse = addMonths(new Date(last.body.signed_at_ms), rules.months_between_visits);
  const days = driftOfValve(valve, visits)?.daysToLeaveLane;
  if (days === undefined) return byHouse;
  const byDrift = new Date(last.body.signed_at_ms + days * DAY);
  return byDrift < byHouse ? byDrift : byHouse;
}

export function driftOfValve(valve: Valve, own: readonly ValveVisit[]): Drift | undefined {
  const last = own.at(-1)?.body;
  const gauge = last && judgingGauge(last);
  const visits = own.flatMap(({ body }) =>
    body.settings[0] === undefined || body.settings[0].as_found_pa === null
      ? []
      : [
          {
            day: body.signed_at_ms / DAY,
            asFound: body.settings[0].as_found_pa,
            asLeft: body.settings[0].as_left_pa,
          },
        ],
  );
  const { set_point_pa: target, tolerance_pa: tolerance } = valve.target;
  const drift = driftOf(
    visits,
    { lower: target - tolerance, upper: target + tolerance },
    gauge ? resultUncertainty(gauge) : 2000,
  );
  return drift.ok && visits.length > 2 ? drift.value : undefined;
}

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
  rules: HouseRules,
  run: Run | undefined,
  now: number,
): Standing {
  if (run) return 'in hand';
  if (valve.retired) return 'retired';
  const last = visits.at(-1)?.body;
  if (last?.outcome === 'out_of_service') return 'out of service';
  if (last && needsAnswer(last)) return 'not in order';
  const due = nextLook(valve, visits, rules);
  if (!due) return 'never set';
  if (driftOfValve(valve, visits)?.isDrifting) return 'drifting';
  if (due.getTime() < now - 30 * DAY) return 'overdue';
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

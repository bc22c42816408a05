import { gaugePa } from '../quantity';
import { addMonths } from 'date-fns/addMonths';
import { dutyOf } from '../family';
import { resultUncertainty } from '../gauge';
import { driftOf, type Drift } from '../prove';
import { judgingGauge, type ValveVisit } from '../sheet';
import { isStrict, visitRules, type Duty, type HouseRules } from '../valve';
import type { Valve } from '../exchange';

const DAY = 86_400_000;
/** Pa, where no gauge is known. */
const ORDINARY_UNCERTAINTY = 2000;
/** Visits from which drift is spoken of. */
const VISITS_FOR_DRIFT = 3;

/** When a valve wants its next look: a window, and why it is that one. Times in ms. */
export type Due = {
  readonly duty: Duty;
  readonly months: number;
  readonly because: 'interval' | 'drift';
  readonly earliest: number;
  readonly likely: number;
  /** Never later than its interval asks for. */
  readonly latest: number;
  /** From when on it is called late: no grace where people are protected. */
  readonly lateFrom: number;
};

/** Drift of a valve's leading setting over its visits; undefined while there are too few. */
export function driftOfVisits(
  { target: { set_point_pa: set, tolerance_pa: tolerance } }: Pick<Valve, 'target'>,
  own: readonly ValveVisit[],
): Drift | undefined {
  const last = own.at(-1)?.body;
  const gauge = last && judgingGauge(last);
  const visits = own.flatMap(({ body: { settings, signed_at_ms: at } }) => {
    const leading = settings[0];
    return leading === undefined || leading.as_found_pa === null
      ? []
      : [
          {
            day: at / DAY,
            asFound: gaugePa(leading.as_found_pa),
            asLeft: gaugePa(leading.as_left_pa),
          },
        ];
  });
  const drift = driftOf(
    visits,
    { lower: set - tolerance, upper: set + tolerance },
    gauge ? resultUncertainty(gauge) : ORDINARY_UNCERTAINTY,
  );
  return drift.ok && visits.length >= VISITS_FOR_DRIFT ? drift.value : undefined;
}

/**
 * When a valve wants its next look: by the interval of its duty, or of its own, or sooner where its drift
 * leaves the lane before that.
 *
 * @param visits  its records, oldest first
 * @returns undefined while it was never set
 */
export function dueOf(
  valve: Valve,
  visits: readonly ValveVisit[],
  rules: HouseRules,
): Due | undefined {
  // A visit that turned nothing proves nothing anew: the one before it still counts.
  const last = visits.findLast(({ body }) => body.outcome !== 'left_as_found');
  if (!last) return undefined;
  const duty = dutyOf(valve);
  const byDuty = visitRules(rules);
  const months = valve.visit_months ?? byDuty[duty];
  const since = last.body.signed_at_ms;
  const byInterval = addMonths(new Date(since), months).getTime();
  const drift = driftOfVisits(valve, visits);
  const after = (days: number | undefined) =>
    days === undefined ? byInterval : Math.min(byInterval, since + days * DAY);
  const likely = after(drift?.daysToLeaveLane);
  return {
    duty,
    months,
    because: likely < byInterval ? 'drift' : 'interval',
    earliest: after(drift?.daysEarliest),
    likely,
    latest: after(drift?.daysLatest),
    lateFrom: likely + (isStrict(duty) ? 0 : byDuty.grace_days * DAY),
  };
}

import { leastSquares } from '../numerics';
import type { GaugePressure } from '../quantity';
import { err, ok, type Result } from '../result';

/** One visit: what was found and what was left, on a day counted in days from any origin. */
export type Visit = {
  readonly day: number;
  readonly asFound: GaugePressure;
  readonly asLeft: GaugePressure;
};

export type Drift = {
  /** Pa a day since the setting was last left; the mean over visits, later ones counting more. */
  readonly perDay: number;
  readonly sdPerDay: number;
  /** Whether the drift stands clear of the reading's uncertainty. */
  readonly isDrifting: boolean;
  /** Days after the last visit until the lane is left; undefined when it is not drifting. */
  readonly daysToLeaveLane: number | undefined;
  /** The same with its doubt, 95 %: latest is undefined where it may as well never leave it. */
  readonly daysEarliest: number | undefined;
  readonly daysLatest: number | undefined;
};
export type DriftError = { readonly code: 'prove.too_few_visits' };

/** How many visits the gauge's own uncertainty counts for. */
const GAUGE_FREEDOM = 3;
const NORMAL_95 = 1.96;
/** Two-sided 95 % of Student's t by degrees of freedom, from 1. Source: standard tables. */
const STUDENT_95 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145,
];
const studentQuantile = (freedom: number): number =>
  STUDENT_95[freedom - 1] ?? NORMAL_95 + 2.5 / freedom;

/**
 * Drift between visits: what each visit found against what the one before had left.
 *
 *     found − left before = rate · days,   through the origin, weighted 1, 1.5, 2.25 … to the latest
 *     drifting: |rate| > t(95 %, n + 2) · sd / days,   sd² = ((n − 1) · scatter² + 3 · u²/2) / (n + 2), at least u²/2
 *
 * @param visits       in order of day, at least 2
 * @param lane         lower and upper, Pa
 * @param uncertainty  of a reading, Pa, k = 2
 * @errors  prove.too_few_visits
 * @example driftOf([{ day: 0, asFound: 5e5, asLeft: 5e5 }, { day: 100, asFound: 505_000, asLeft: 5e5 }],
 *   { lower: 480_000, upper: 520_000 }, 500)
 *   // → ok({ perDay: 50, isDrifting: true })
 */
export function driftOf(
  visits: readonly Visit[],
  lane: { readonly lower: number; readonly upper: number },
  uncertainty: number,
): Result<Drift, DriftError> {
  const steps = visits.slice(1).map((visit, i) => ({
    days: visit.day - visits[i]!.day,
    change: visit.asFound - visits[i]!.asLeft,
    weight: Math.sqrt(1.5 ** i),
  }));
  const usable = steps.filter(({ days }) => days > 0);
  if (usable.length === 0) return err({ code: 'prove.too_few_visits' });
  const fit = leastSquares(
    [usable.map(({ days, weight }) => days * weight)],
    usable.map(({ change, weight }) => change * weight),
  );
  if (!fit.ok) return err({ code: 'prove.too_few_visits' });
  const perDay = fit.value.coefficients[0]!;
  const sumOf = (of: (step: (typeof usable)[number]) => number) =>
    usable.reduce((sum, step) => sum + of(step), 0);
  // Of the plain change of one visit, though later ones count for more in the rate.
  const scatter2 =
    usable.length > 1
      ? ((fit.value.rss / sumOf(({ weight }) => weight ** 2)) * usable.length) / (usable.length - 1)
      : 0;
  const perChange =
    Math.sqrt(sumOf(({ weight, days }) => (weight ** 2 * days) ** 2)) /
    sumOf(({ weight, days }) => (weight * days) ** 2);
  // Each change stands between two readings; what visits scatter beyond that is judged with them.
  const byGauge = (uncertainty / 2) * Math.SQRT2;
  const freedom = usable.length - 1 + GAUGE_FREEDOM;
  const variance = ((usable.length - 1) * scatter2 + GAUGE_FREEDOM * byGauge ** 2) / freedom;
  const sdPerDay = Math.sqrt(Math.max(variance, byGauge ** 2)) * perChange;
  const reach = studentQuantile(freedom) * sdPerDay;
  const isDrifting = Math.abs(perDay) > reach;
  const left = visits.at(-1)!.asLeft;
  const room = Math.max(0, perDay > 0 ? lane.upper - left : left - lane.lower);
  const within = (rate: number) => (isDrifting ? room / rate : undefined);
  return ok({
    perDay,
    sdPerDay,
    isDrifting,
    daysToLeaveLane: within(Math.abs(perDay)),
    daysEarliest: within(Math.abs(perDay) + reach),
    daysLatest: within(Math.abs(perDay) - reach),
  });
}

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
};
export type DriftError = { readonly code: 'prove.too_few_visits' };

/**
 * Drift between visits: what each visit found against what the one before had left.
 *
 *     found − left before = rate · days,   through the origin, weighted 1, 1.5, 2.25 … to the latest
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
  const totalDays = Math.hypot(...usable.map(({ days, weight }) => days * weight));
  const scatter = usable.length > 1 ? Math.sqrt(fit.value.rss / (usable.length - 1)) : 0;
  const sdPerDay = Math.max(scatter, uncertainty / 2) / totalDays;
  const isDrifting = Math.abs(perDay) > 2 * sdPerDay;
  const left = visits.at(-1)!.asLeft;
  const room = perDay > 0 ? lane.upper - left : left - lane.lower;
  return ok({
    perDay,
    sdPerDay,
    isDrifting,
    daysToLeaveLane: isDrifting ? Math.max(0, room / Math.abs(perDay)) : undefined,
  });
}

import type { Gauge, GaugeFailure } from './gauge';

/**
 * A gauge that did not pass a check. Everything that it has read since its last calibration is in
 * doubt from now on, and stays so after it has been calibrated anew.
 *
 * @param on  ISO date of the check
 */
export const failedCheck = (
  gauge: Gauge,
  { on, why }: Pick<GaugeFailure, 'on' | 'why'>,
): Gauge => ({
  ...gauge,
  failures: [...(gauge.failures ?? []), { on, why, since: gauge.calibrated_on }],
});

/** The check that a gauge failed and was not calibrated after; undefined where it may be trusted. */
export const openFailure = ({
  failures = [],
  calibrated_on: on,
}: Gauge): GaugeFailure | undefined => failures.findLast((failure) => failure.on >= on);

/**
 * Why what a gauge read on a day is in doubt: the check that it failed later, or that day.
 *
 * @param day  ISO date
 */
export const doubtOn = ({ failures = [] }: Gauge, day: string): GaugeFailure | undefined =>
  failures.find(({ since, on }) => since <= day && day <= on);

import type { GaugeDoubt } from '../sheet';

/** Over what is said of gauges that failed a check after a sheet was signed with them. */
export const DOUBT_TITLE = 'In doubt: read it again with another gauge';

/**
 * What has become known since of a gauge that a sheet rests on, as a sentence.
 *
 * @param daySay  prints a day (ISO date)
 */
export const doubtWords = (
  { tag, failure: { on, since, why } }: GaugeDoubt,
  daySay: (day: string) => string,
): string =>
  `${tag} failed its check on ${daySay(on)}: ${why}. ` +
  `What it has read since ${daySay(since)} cannot be vouched for.`;

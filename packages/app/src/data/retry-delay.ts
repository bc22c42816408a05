const FIRST_MS = 4000;
const LONGEST_MS = 60_000;

/**
 * How long to wait before trying again: doubled after each failure up to a minute, and spread by a
 * quarter either way, so that phones which lost one server together do not come back together.
 *
 * @param failures  in a row so far
 * @param chance    0 … 1
 * @returns ms
 */
export const retryDelay = (failures: number, chance: number): number =>
  Math.min(LONGEST_MS, FIRST_MS * 2 ** failures) * (0.75 + chance / 2);

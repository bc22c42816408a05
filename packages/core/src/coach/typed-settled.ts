import type { Sample } from '../numerics';
import type { Seconds } from '../quantity';

/**
 * Typed readings have settled when the last two agree and lie far enough apart.
 *
 * @param readings  s and Pa, rising in time, since the last turn
 * @param apart     s wanted between the two
 * @example typedSettled([{ t: 0, value: 518_000 }, { t: 20, value: 519_000 }], 1000, 15) // → true
 */
export function typedSettled(
  readings: readonly Sample[],
  resolution: number,
  apart: Seconds,
): boolean {
  const last = readings.at(-1);
  const before = readings.at(-2);
  if (!last || !before) return false;
  return last.t - before.t >= apart && Math.abs(last.value - before.value) <= resolution * 1.001;
}

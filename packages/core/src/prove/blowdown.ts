import type { GaugePressure } from '../quantity';
import { err, ok, type Result } from '../result';

export type BlowdownError =
  { readonly code: 'prove.set_not_positive' } | { readonly code: 'prove.reseat_above_set' };

/**
 * Blowdown of a relief valve, as a fraction of its set pressure.
 *
 *     blowdown = (set − reseat) / set
 *
 * @param setPressure     Pa gauge by its size, > 0
 * @param reseatPressure  Pa gauge by its size, 0 … setPressure
 * @returns fraction, 0 … 1
 * @errors  prove.set_not_positive · prove.reseat_above_set
 * @example blowdown(1_000_000, 930_000) // → ok(0.07)
 */
export function blowdown(
  setPressure: GaugePressure,
  reseatPressure: GaugePressure,
): Result<number, BlowdownError> {
  if (!(setPressure > 0)) return err({ code: 'prove.set_not_positive' });
  if (reseatPressure > setPressure) return err({ code: 'prove.reseat_above_set' });
  return ok((setPressure - reseatPressure) / setPressure);
}

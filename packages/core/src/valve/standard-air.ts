import {
  barometricPressure,
  kelvin,
  metres,
  STANDARD_ATMOSPHERE,
  type AtmosphereError,
  type Temperature,
} from '../quantity';
import { ok, type Result } from '../result';

/** Air that makers' plates speak of, K. */
export const STANDARD_AIR: Temperature = kelvin(293.15);

/**
 * Greatest pressure of a blower away from standard air, estimated by the ratio of densities.
 *
 *     p = p_plate · (barometer / 101 325) · (293.15 / T)
 *
 * A blower makes pressure in proportion to the density of the air that it takes in. An estimate:
 * the maker's corrected figure outranks it.
 *
 * @param platePa   Pa gauge by the plate; negative for vacuum
 * @param altitude  m above the sea, −430 … 11 000
 * @param air       K of the air taken in, > 0
 * @returns Pa gauge of the same sign
 * @errors  quantity.altitude_out_of_range
 * @example standardAirPressure(30_000, 1240, 278.15) // → ok(27_238)
 */
export function standardAirPressure(
  platePa: number,
  altitude: number,
  air: Temperature,
): Result<number, AtmosphereError> {
  const barometer = barometricPressure(metres(altitude));
  if (!barometer.ok) return barometer;
  return ok(platePa * (barometer.value / STANDARD_ATMOSPHERE) * (STANDARD_AIR / air));
}

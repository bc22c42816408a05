import { err, ok, type Result } from '../result';
import {
  absolutePa,
  differencePa,
  gaugePa,
  type AbsolutePressure,
  type GaugePressure,
  type Length,
  type PressureDifference,
} from './kinds';
import type { PressureReference } from './parse';

export const STANDARD_ATMOSPHERE: AbsolutePressure = absolutePa(101_325);

export type AtmosphereError =
  | { readonly code: 'quantity.altitude_out_of_range'; readonly altitude: number }
  | { readonly code: 'quantity.below_absolute_zero'; readonly absolute: number };

/**
 * Barometric pressure of the standard atmosphere at an altitude.
 *
 *     p = 101 325 · (1 − 2.25577·10⁻⁵ · h)^5.25588
 *
 * @param altitude  m above the sea, −430 … 11 000
 * @returns Pa absolute
 * @errors  quantity.altitude_out_of_range
 * @source  ISO 2533, troposphere
 * @example barometricPressure(1000) // → ok(89_875)
 */
export function barometricPressure(altitude: Length): Result<AbsolutePressure, AtmosphereError> {
  if (!(altitude >= -430 && altitude <= 11_000))
    return err({ code: 'quantity.altitude_out_of_range', altitude });
  return ok(absolutePa(STANDARD_ATMOSPHERE * (1 - 2.25577e-5 * altitude) ** 5.25588));
}

/**
 * Gauge pressure of a reading taken in any reference. Vacuum counts down from the barometer.
 *
 * @param pressure   Pa in `reference`; a vacuum reads positive
 * @param barometer  Pa absolute
 * @returns Pa gauge, ≥ −barometer
 * @errors  quantity.below_absolute_zero
 */
export function toGaugePressure(
  pressure: number,
  reference: PressureReference,
  barometer: AbsolutePressure,
): Result<GaugePressure, AtmosphereError> {
  const gauge =
    reference === 'gauge'
      ? pressure
      : reference === 'absolute'
        ? pressure - barometer
        : -Math.abs(pressure);
  if (!(gauge + barometer >= 0))
    return err({ code: 'quantity.below_absolute_zero', absolute: gauge + barometer });
  return ok(gaugePa(gauge));
}

export const toAbsolutePressure = (
  gauge: GaugePressure,
  barometer: AbsolutePressure,
): AbsolutePressure => absolutePa(gauge + barometer);

/**
 * What to add to a reading for the column between gauge and tapping.
 *
 *     Δp = density · 9.80665 m/s² · height
 *
 * @param height   m that the gauge hangs above its tapping (below is negative)
 * @param density  kg/m³ of what stands in the line; water at 20 °C where nothing is said
 * @returns Pa to add: a gauge that hangs above reads low
 * @example headCorrection(1) // → 9789
 */
export const headCorrection = (height: Length, density = 998.2): PressureDifference =>
  differencePa(density * 9.80665 * height);

import {
  barometricPressure,
  metres,
  STANDARD_ATMOSPHERE,
  type AbsolutePressure,
} from '@holvek/core';
import { useSites } from '@/data/queries';

/** Where the barometer stands on site, by its altitude, Pa absolute: for what is written above nothing. */
export function useBarometer(): AbsolutePressure {
  const barometer = barometricPressure(metres(useSites().data?.[0]?.altitude_m ?? 0));
  return barometer.ok ? barometer.value : STANDARD_ATMOSPHERE;
}

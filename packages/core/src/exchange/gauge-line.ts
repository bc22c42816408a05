import {
  parseReading,
  TEMPERATURE_UNIT,
  type AbsolutePressure,
  type Measure,
  type ParsedReading,
  type PressureError,
} from '../quantity';
import type { Result } from '../result';

/**
 * One line of a line-by-line gauge: `value unit`, such as `416.0 kPa` or `14.7 psia`. The simulated
 * gauge speaks it too, so that nothing past the link can tell which is which.
 *
 * @param barometer  Pa absolute, where the gauge hangs
 * @param measures   what it is to show; a line that says another kind of figure is refused
 * @returns Pa gauge, or K above melting ice
 * @errors as parsePressure
 */
export const parseGaugeLine = (
  line: string,
  barometer: AbsolutePressure,
  measures: Measure = 'pressure',
): Result<ParsedReading, PressureError> =>
  parseReading(line, measures === 'pressure' ? 'Pa' : TEMPERATURE_UNIT, barometer);

/** The line a gauge sends for a reading; decimals as its resolution shows. */
export const formatGaugeLine = (value: number, unit: string, decimals: number): string =>
  `${value.toFixed(decimals)} ${unit}`;

import {
  parsePressure,
  type AbsolutePressure,
  type ParsedPressure,
  type PressureError,
} from '../quantity';
import type { Result } from '../result';

/**
 * One line of a line-by-line gauge: `value unit`, such as `416.0 kPa` or `14.7 psia`. The simulated
 * gauge speaks it too, so that nothing past the link can tell which is which.
 *
 * @param barometer  Pa absolute, where the gauge hangs
 * @returns Pa gauge
 * @errors as parsePressure
 */
export const parseGaugeLine = (
  line: string,
  barometer: AbsolutePressure,
): Result<ParsedPressure, PressureError> => parsePressure(line, 'Pa', barometer);

/** The line a gauge sends for a reading; decimals as its resolution shows. */
export const formatGaugeLine = (value: number, unit: string, decimals: number): string =>
  `${value.toFixed(decimals)} ${unit}`;

import { parseQuantity, type ParsedQuantity, type ParseError } from '../quantity';
import { err, type Result } from '../result';

/**
 * One line of a line-by-line gauge: `value unit`, such as `416.0 kPa`. The simulated gauge
 * speaks it too, so that nothing past the link can tell which is which.
 *
 * @errors as parseQuantity; a line over 60 characters carries no number
 */
export const parseGaugeLine = (line: string): Result<ParsedQuantity, ParseError> =>
  line.length > 60
    ? err({ code: 'quantity.no_number', text: line.slice(0, 60) })
    : parseQuantity(line, 'pressure', 'Pa');

/** The line a gauge sends for a reading; decimals as its resolution shows. */
export const formatGaugeLine = (value: number, unit: string, decimals: number): string =>
  `${value.toFixed(decimals)} ${unit}`;

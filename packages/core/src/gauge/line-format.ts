import { z } from 'zod';
import {
  measureOfUnit,
  parseReading,
  type AbsolutePressure,
  type PressureError,
} from '../quantity';
import { err, ok, type Result } from '../result';

/** Longest line that a gauge sends; what is longer is noise. */
export const LONGEST_LINE = 200;

const pattern = z
  .string()
  .min(1)
  .max(200)
  .refine((text) => compiled(text) !== undefined, 'not a pattern that can be read')
  .refine((text) => text.includes('(?<value>'), 'the figure is not named: (?<value>…)');

/**
 * How a gauge speaks over its line, as data: what a line looks like, in which unit, how it is asked.
 * Named groups of the pattern: `value` (wanted), `unit`, and `trouble` for whatever the gauge says is wrong.
 */
export const lineFormatSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(2).max(80),
  baud: z.number().int().min(300).max(921_600),
  pattern,
  /** Unit where a line does not say it; empty where every line does. */
  unit: z.string().max(12),
  /** Against what it measures, where its unit does not say so. */
  reference: z.enum(['gauge', 'absolute']),
  /** What a figure is multiplied by before its unit: a gauge that sends counts. */
  factor: z.number().positive().max(1e6),
  /** What is sent to be answered, its line ends written as \r and \n; empty for one that speaks by itself. */
  poll: z.string().max(40),
  /** s between two of them. */
  every_s: z.number().min(0.1).max(60),
});
export type LineFormat = z.infer<typeof lineFormatSchema>;

const FIGURE = String.raw`(?<value>[-+]?\d+(?:[.,]\d+)?)`;
const TROUBLE = String.raw`(?<trouble>OL|-OL|ERR|LOBAT)`;

/** Ways of speaking that many gauges share; what differs is entered beside them. */
export const shippedFormats: readonly LineFormat[] = [
  {
    id: 'figure-unit',
    name: 'Figure and unit, by itself',
    baud: 9600,
    pattern: String.raw`^\s*(?:${FIGURE}|${TROUBLE})\s*(?<unit>[A-Za-z][A-Za-z0-9/²]*)?\s*$`,
    unit: '',
    reference: 'gauge',
    factor: 1,
    poll: '',
    every_s: 1,
  },
  {
    id: 'asked',
    name: 'Answers when asked',
    baud: 19_200,
    pattern: String.raw`^P=(?:${FIGURE}|${TROUBLE})(?: (?<unit>[A-Za-z]+))?$`,
    unit: '',
    reference: 'gauge',
    factor: 1,
    poll: String.raw`P?\r\n`,
    every_s: 0.5,
  },
  {
    id: 'log-line',
    name: 'Time and figure, by semicolon',
    baud: 115_200,
    pattern: String.raw`^[^;]*;\s*(?:${FIGURE}|${TROUBLE})\s*(?:;.*)?$`,
    unit: 'bar',
    reference: 'gauge',
    factor: 1,
    poll: '',
    every_s: 1,
  },
];

/** What is sent to a gauge to be answered: the letters themselves. */
export const pollOf = ({ poll }: Pick<LineFormat, 'poll'>): string =>
  poll.replaceAll(String.raw`\r`, '\r').replaceAll(String.raw`\n`, '\n');

export type LineError =
  | { readonly code: 'line.too_long' | 'line.unmatched' | 'line.no_unit' }
  /** What the gauge itself says is wrong. */
  | { readonly code: 'line.trouble'; readonly says: string }
  | PressureError;

/**
 * What a gauge shows, by one line of it.
 *
 * @param barometer  Pa absolute, where the gauge hangs
 * @param face       the unit of its face: a line that says another kind of figure is refused
 * @returns Pa gauge, or K above melting ice
 * @errors line.too_long, line.unmatched (noise, or half a line), line.trouble, line.no_unit, as parsePressure
 *
 * @example
 * readLine(shippedFormats[0]!, '416.0 kPa', 101_325) // { ok: true, value: 416_000 }
 */
export function readLine(
  format: LineFormat,
  line: string,
  barometer: AbsolutePressure,
  face = 'Pa',
): Result<number, LineError> {
  if (line.length > LONGEST_LINE) return err({ code: 'line.too_long' });
  const { value, unit = format.unit, trouble } = compiled(format.pattern)?.exec(line)?.groups ?? {};
  if (trouble !== undefined) return err({ code: 'line.trouble', says: trouble });
  if (value === undefined) return err({ code: 'line.unmatched' });
  if (unit === '') return err({ code: 'line.no_unit' });
  const figure = Number(value.replace(',', '.')) * format.factor;
  const parsed = parseReading(`${figure} ${unit}`, face, barometer);
  if (!parsed.ok) return err(parsed.error);
  const { si, reference } = parsed.value;
  const isShifted =
    measureOfUnit(face) === 'pressure' &&
    format.reference === 'absolute' &&
    reference === 'gauge' &&
    !SAYS_GAUGE.test(unit);
  return ok(isShifted ? si - barometer : si);
}

/** Units that say by themselves that they are above the air outside, whatever the format says. */
const SAYS_GAUGE = /^(?:psi|bar|mbar|kpa|mpa)g$/iu;

const known = new Map<string, RegExp | undefined>();
function compiled(text: string): RegExp | undefined {
  if (!known.has(text)) known.set(text, tried(text));
  return known.get(text);
}
function tried(text: string): RegExp | undefined {
  try {
    return new RegExp(text, 'u');
  } catch {
    return undefined;
  }
}

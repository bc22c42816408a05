import { fromSI, unitOf, units } from './units';

/** Decimals that show a step of `resolution` and no finer: 0.5 → 1, 2 → 0, 2.5 → 1, 0.02 → 2. */
export function decimalsFor(resolution: number): number {
  if (!Number.isFinite(resolution) || resolution <= 0) return 0;
  const decimals = Math.min(6, Math.max(0, Math.ceil(-Math.log10(resolution) - 0.01)));
  return isQuarter(resolution, decimals) ? decimals + 1 : decimals;
}

/** 2.5, 0.25: a step that needs one decimal more than its size tells. */
const isQuarter = (resolution: number, decimals: number): boolean => {
  const finer = resolution * 10 ** (decimals + 1);
  return Math.abs(finer - 25) < 1e-6;
};

/**
 * A quantity as a figure in a unit, rounded to what the gauge can show.
 *
 * @param si          value in SI
 * @param unit        symbol of the unit to print in
 * @param resolution  finest readable step, SI; when missing, three significant figures
 * @returns figure with a real minus and thin spaces between thousands, without the unit
 * @example printFigure(1_180_000, 'kPa', 1000) // → '1\u2009180'
 */
export function printFigure(si: number, unit: string, resolution?: number): string {
  if (!Number.isFinite(si)) return '–';
  const value = fromSI(si, unit);
  const step = resolution === undefined ? significantStep(value) : resolution / unitOf(unit).factor;
  const decimals = resolution === undefined ? trimmedDecimals(value, step) : decimalsFor(step);
  const isStepped = step >= 1 || isQuarter(step, decimals - 1);
  const rounded = isStepped ? Math.round(value / step) * step : value;
  const text = Math.abs(rounded).toFixed(decimals);
  const [whole = '0', fraction] = text.split('.');
  const grouped = whole.length > 3 ? whole.replace(/\B(?=(\d{3})+$)/gu, '\u2009') : whole;
  const sign = rounded < 0 && Number(text) !== 0 ? '−' : '';
  return sign + grouped + (fraction ? `.${fraction}` : '');
}

/** A whole number with thin spaces between thousands. */
export const printCount = (count: number): string =>
  String(Math.round(count)).replace(/\B(?=(\d{3})+$)/gu, '\u2009');

export const printQuantity = (si: number, unit: string, resolution?: number): string =>
  `${printFigure(si, unit, resolution)} ${unit}`;

/**
 * The same figure for a line that may be wrapped: no break between its thousands, nor before its unit.
 *
 * @example unbroken('1\u2009180 kPa') // → '1\u202f180\u00a0kPa'
 */
export const unbroken = (figure: string): string =>
  figure.replaceAll('\u2009', '\u202f').replaceAll(' ', '\u00a0');

const escaped = (symbol: string): string => symbol.replaceAll(/[.*+?^${}()|[\]\\/]/gu, '\\$&');
const symbols = [...units.map(({ symbol }) => symbol), '%', '°C', '°F', 'turn', 'turns', 'h']
  .sort((a, b) => b.length - a.length)
  .map(escaped)
  .join('|');
const BEFORE_ITS_UNIT = new RegExp(`(\\d) (?=(?:${symbols})(?![\\p{L}\\d]))`, 'gu');
const WITHIN_THOUSANDS = /\b(\d{1,3}) (?=\d{3}(?:\D|$))/gu;

/**
 * Words that somebody has written, with every figure kept beside its unit and whole in itself.
 *
 * @example boundFigures('Needs 1 180 kPa at 9 L/s') // → 'Needs 1\u00a0180\u00a0kPa at 9\u00a0L/s'
 */
export const boundFigures = (text: string): string =>
  text.replaceAll(BEFORE_ITS_UNIT, '$1\u00a0').replaceAll(WITHIN_THOUSANDS, '$1\u00a0');

/** Decimals of three significant figures, without zeros that say nothing. */
const trimmedDecimals = (value: number, step: number): number => {
  const full = value.toFixed(decimalsFor(step));
  return full.includes('.') ? (full.replace(/0+$/u, '').split('.')[1] ?? '').length : 0;
};

const significantStep = (value: number): number =>
  value === 0 ? 1 : 10 ** (Math.floor(Math.log10(Math.abs(value))) - 2);

/** Turns in thirty-seconds as whole and fraction: 1.375 → { whole: 1, numerator: 3, denominator: 8 }. */
export function turnFraction(turns: number): {
  readonly whole: number;
  readonly numerator: number;
  readonly denominator: number;
} {
  const parts = Math.round(Math.abs(turns) * 32);
  const whole = Math.floor(parts / 32);
  let numerator = parts % 32;
  let denominator = 32;
  while (numerator > 0 && numerator % 2 === 0) {
    numerator /= 2;
    denominator /= 2;
  }
  return { whole, numerator, denominator: numerator === 0 ? 1 : denominator };
}

/** "1 3/8" or "3/8"; "0" when less than a sixty-fourth. */
export function printTurns(turns: number): string {
  const { whole, numerator, denominator } = turnFraction(turns);
  const fraction = numerator ? `${numerator}/${denominator}` : '';
  return [whole || (fraction ? '' : '0'), fraction].filter((part) => part !== '').join(' ');
}

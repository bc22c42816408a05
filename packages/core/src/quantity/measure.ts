import { findUnit } from './units';

/** What a gauge can show of a valve. */
export const measures = ['pressure', 'temperature'] as const;
export type Measure = (typeof measures)[number];

/** The one in which temperatures are shown: a difference of so many is as many kelvin. */
export const TEMPERATURE_UNIT = '°C';

/**
 * What a face in this unit shows; pressure where nobody knows the unit.
 *
 * @example measureOfUnit('°C') // → 'temperature'
 */
export const measureOfUnit = (unit: string): Measure =>
  findUnit(unit)?.kind === 'temperature' ? 'temperature' : 'pressure';

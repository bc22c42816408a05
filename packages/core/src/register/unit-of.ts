import type { Valve } from '../exchange';
import { measureOf } from '../family';
import { TEMPERATURE_UNIT, type PressureUnit } from '../quantity';
import type { HouseRules } from '../valve';

/** What tells in which unit, and in whose air, a valve is read. */
export type ReadIn = {
  readonly unit?: Valve['unit'];
  readonly place_id?: Valve['place_id'];
  readonly plate: Pick<Valve['plate'], 'family'>;
};

/**
 * The unit in which a valve's figures are shown: its own, else that of its kind in this house, else
 * that of the phone; what is set by a thermometer always stands in degrees.
 *
 * @example unitFor({ plate: { family: 'gas' } }, { units_by_family: { gas: 'mbar' } }, 'kPa') // → 'mbar'
 */
export function unitFor(
  { unit, plate }: ReadIn,
  { units_by_family: byFamily }: Pick<HouseRules, 'units_by_family'>,
  phone: PressureUnit,
): PressureUnit | typeof TEMPERATURE_UNIT {
  if (measureOf(plate) === 'temperature') return TEMPERATURE_UNIT;
  const kinds = new Map(Object.entries(byFamily ?? {}));
  return unit ?? kinds.get(plate.family) ?? phone;
}

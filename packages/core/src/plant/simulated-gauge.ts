import type { Gauge } from '../gauge';
import type { Random } from '../numerics';

/** Seconds in which the pointer makes up two thirds of a step. */
const POINTER_LAG = 0.4;

/** Pointer after `seconds` at a pressure, Pa; never beyond the stops of the scale. */
export function movePointer(
  pointer: number,
  pressure: number,
  seconds: number,
  gauge: Gauge,
): number {
  const moved = pointer + (pressure - pointer) * (1 - Math.exp(-seconds / POINTER_LAG));
  return Math.min(gauge.range_high_pa, Math.max(gauge.range_low_pa, moved));
}

/** What the pointer shows: its noise, rounded to what can be read. */
export function readPointer(pointer: number, gauge: Gauge, random: Random): number {
  const shaken = pointer + random.normal() * gauge.resolution_pa * 0.2;
  const read = Math.round(shaken / gauge.resolution_pa) * gauge.resolution_pa;
  return Math.min(gauge.range_high_pa, Math.max(gauge.range_low_pa, read));
}

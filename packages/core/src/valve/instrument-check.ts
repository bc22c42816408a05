import { splitMeets, spanOf } from '../quantity';
import type { InstrumentPlate, Target } from './plate';

/** What can be wrong with the plate of an instrument. */
export type InstrumentIssue =
  | { readonly code: 'valve.span_of_zero'; readonly stops: true; readonly side: 'input' | 'output' }
  | { readonly code: 'valve.screw_missing'; readonly stops: true }
  | { readonly code: 'valve.target_over_limit'; readonly stops: true; readonly limit: number }
  | {
      readonly code: 'valve.set_value_outside_sensor';
      readonly stops: true;
      readonly low: number;
      readonly high: number;
    }
  | { readonly code: 'valve.supply_over_rating'; readonly stops: true; readonly rating: number }
  | {
      readonly code: 'valve.split_does_not_meet';
      readonly stops: true;
      readonly fault: 'gap' | 'overlap';
    };

/** Rules between an instrument's own figures; what cannot be calibrated stops. */
export function instrumentIssues(
  plate: InstrumentPlate,
  { set_point_pa: pressure, limit_pa: limit }: Target,
): InstrumentIssue[] {
  const issues: InstrumentIssue[] = [];
  for (const side of ['input', 'output'] as const)
    if (spanOf(plate[side]) === 0) issues.push({ code: 'valve.span_of_zero', stops: true, side });
  if (plate.family !== 'electronic_pilot' && !plate.others?.['span'])
    issues.push({ code: 'valve.screw_missing', stops: true });
  if (plate.family === 'electronic_pilot') {
    const { low, high } = plate.input;
    if (pressure < Math.min(low, high) || pressure > Math.max(low, high))
      issues.push({ code: 'valve.set_value_outside_sensor', stops: true, low, high });
    if (pressure > limit) issues.push({ code: 'valve.target_over_limit', stops: true, limit });
  }
  if (plate.family !== 'positioner') return issues;
  if (pressure > plate.inlet_rating_pa)
    issues.push({ code: 'valve.supply_over_rating', stops: true, rating: plate.inlet_rating_pa });
  const meets = plate.split_with ? splitMeets(plate.input, plate.split_with) : undefined;
  if (meets && !meets.ok && meets.error.code !== 'quantity.span_of_zero') {
    const fault = meets.error.code === 'quantity.split_gap' ? 'gap' : 'overlap';
    issues.push({ code: 'valve.split_does_not_meet', stops: true, fault });
  }
  return issues;
}

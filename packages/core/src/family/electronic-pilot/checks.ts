import type { Targets } from '../../valve';
import { instrumentIssues, type InstrumentIssue } from '../shared/instrument-checks';
import type { ElectronicPilotPlate } from './plate';

export type ElectronicIssue =
  | InstrumentIssue
  | { readonly code: 'valve.target_over_limit'; readonly stops: true; readonly limit: number }
  | {
      readonly code: 'valve.set_value_outside_sensor';
      readonly stops: true;
      readonly low: number;
      readonly high: number;
    };

/** Its set value lies within its sensor's range and under its limit. */
export function electronicIssues(
  plate: ElectronicPilotPlate,
  { target: { set_point_pa: set, limit_pa: limit } }: Targets,
): readonly ElectronicIssue[] {
  const issues: ElectronicIssue[] = [...instrumentIssues(plate)];
  const { low, high } = plate.input;
  if (set < Math.min(low, high) || set > Math.max(low, high))
    issues.push({ code: 'valve.set_value_outside_sensor', stops: true, low, high });
  if (set > limit) issues.push({ code: 'valve.target_over_limit', stops: true, limit });
  return issues;
}

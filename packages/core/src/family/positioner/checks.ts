import { splitMeets } from '../../quantity';
import { armScaleOf, type Targets } from '../../valve';
import {
  instrumentIssues,
  spanScrewIssues,
  type InstrumentIssue,
} from '../shared/instrument-checks';
import type { PositionerPlate } from './plate';

export type PositionerIssue =
  | InstrumentIssue
  | { readonly code: 'valve.supply_over_rating'; readonly stops: true; readonly rating: number }
  | {
      readonly code: 'valve.split_does_not_meet';
      readonly stops: true;
      readonly fault: 'gap' | 'overlap';
    }
  | { readonly code: 'valve.arm_has_no_scale'; readonly stops: true };

/** Its air within its rating, and both halves of a split range meeting. */
export function positionerIssues(
  plate: PositionerPlate,
  { target }: Targets,
): readonly PositionerIssue[] {
  const issues: PositionerIssue[] = [...instrumentIssues(plate), ...spanScrewIssues(plate)];
  if (target.set_point_pa > plate.inlet_rating_pa)
    issues.push({ code: 'valve.supply_over_rating', stops: true, rating: plate.inlet_rating_pa });
  const meets = plate.split_with ? splitMeets(plate.input, plate.split_with) : undefined;
  if (meets && !meets.ok && meets.error.code !== 'quantity.span_of_zero') {
    const fault = meets.error.code === 'quantity.split_gap' ? 'gap' : 'overlap';
    issues.push({ code: 'valve.split_does_not_meet', stops: true, fault });
  }
  if (saysOfArm(plate) && !armScaleOf(plate))
    issues.push({ code: 'valve.arm_has_no_scale', stops: true });
  return issues;
}

const saysOfArm = ({ arm_least, arm_most, arm_division }: PositionerPlate): boolean =>
  [arm_least, arm_most, arm_division].some((figure) => figure !== undefined);

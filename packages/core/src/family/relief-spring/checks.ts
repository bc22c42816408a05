import { kelvin } from '../../quantity';
import { standardAirPressure, type Targets } from '../../valve';
import type { SpringReliefPlate } from './plate';

export type SpringReliefIssue =
  | { readonly code: 'valve.over_machine'; readonly stops: true; readonly most: number }
  | {
      readonly code: 'valve.wrong_sign_for_service';
      readonly stops: true;
      readonly service: 'pressure' | 'vacuum';
    }
  | {
      readonly code: 'valve.maker_figure_wanted';
      readonly stops: false;
      readonly estimate: number;
    };

/** Greatest pressure that the machine may see here: the maker's figure, else the smaller of its plate and that by density, Pa. */
export function greatestOf(plate: SpringReliefPlate): number {
  const estimate = standardAirPressure(plate.machine_max_pa, plate.altitude_m, kelvin(plate.air_k));
  if (plate.maker_max_pa !== undefined) return plate.maker_max_pa;
  const isLess = estimate.ok && Math.abs(estimate.value) < Math.abs(plate.machine_max_pa);
  return isLess ? estimate.value : plate.machine_max_pa;
}

/** Set no higher than the machine may see, and on the side that its service says. */
export function springReliefIssues(
  plate: SpringReliefPlate,
  { target: { set_point_pa: set } }: Targets,
): readonly SpringReliefIssue[] {
  const { service } = plate;
  if (set < 0 !== (service === 'vacuum'))
    return [{ code: 'valve.wrong_sign_for_service', stops: true, service }];
  const most = greatestOf(plate);
  const issues: SpringReliefIssue[] = [];
  if (Math.abs(set) > Math.abs(most) + 1)
    issues.push({ code: 'valve.over_machine', stops: true, most });
  const isEstimate = plate.maker_max_pa === undefined;
  if (isEstimate && Math.abs(most - plate.machine_max_pa) > 0.01 * Math.abs(most))
    issues.push({ code: 'valve.maker_figure_wanted', stops: false, estimate: most });
  return issues;
}

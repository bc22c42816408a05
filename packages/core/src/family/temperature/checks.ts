import type { Targets } from '../../valve';
import type { TemperaturePlate } from './plate';

export type TemperatureIssue =
  | { readonly code: 'valve.set_under_ice'; readonly stops: true }
  | { readonly code: 'valve.set_at_cut_out'; readonly stops: true; readonly at: number }
  | { readonly code: 'valve.limit_over_cut_out'; readonly stops: false; readonly at: number };

/** Water is set above ice, and below what shuts its heat off. */
export function temperatureIssues(
  { cut_out: at }: TemperaturePlate,
  { target }: Targets,
): readonly TemperatureIssue[] {
  const issues: TemperatureIssue[] = [];
  if (target.set_point_pa - target.tolerance_pa <= 0)
    issues.push({ code: 'valve.set_under_ice', stops: true });
  if (at === undefined) return issues;
  if (target.set_point_pa + target.tolerance_pa >= at)
    issues.push({ code: 'valve.set_at_cut_out', stops: true, at });
  else if (target.limit_pa > at)
    issues.push({ code: 'valve.limit_over_cut_out', stops: false, at });
  return issues;
}

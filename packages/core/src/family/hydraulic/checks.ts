import type { Targets } from '../../valve';
import type { HydraulicPlate } from './plate';

export type HydraulicIssue =
  | { readonly code: 'valve.cross_port_over_main'; readonly stops: true; readonly main: number }
  | { readonly code: 'valve.compensator_over_main'; readonly stops: true; readonly main: number }
  | { readonly code: 'valve.compensator_under_load'; readonly stops: true; readonly load: number };

/** Everything below the main relief, and the compensator above the heaviest load. */
export function hydraulicIssues(
  { heaviest_load_pa: load }: HydraulicPlate,
  { target: { set_point_pa: main }, other_targets: others }: Targets,
): readonly HydraulicIssue[] {
  const issues: HydraulicIssue[] = [];
  for (const id of ['cross_a', 'cross_b'])
    if (others?.[id] && others[id].set_point_pa >= main)
      issues.push({ code: 'valve.cross_port_over_main', stops: true, main });
  const compensator = others?.['compensator'];
  if (compensator && compensator.set_point_pa >= main)
    issues.push({ code: 'valve.compensator_over_main', stops: true, main });
  if (compensator && compensator.set_point_pa <= load)
    issues.push({ code: 'valve.compensator_under_load', stops: true, load });
  return issues;
}

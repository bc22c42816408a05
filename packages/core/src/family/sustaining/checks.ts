import type { Targets } from '../../valve';
import type { SustainingPlate } from './plate';

export type SustainingIssue =
  | { readonly code: 'valve.sustains_over_pump'; readonly stops: true; readonly running: number }
  | {
      readonly code: 'valve.sustains_under_cavitation';
      readonly stops: true;
      readonly cavitation: number;
    }
  | {
      readonly code: 'valve.reduces_over_sustaining';
      readonly stops: true;
      readonly sustaining: number;
    };

/** Sustained below the pump's running pressure, above its cavitation, and above what is reduced to. */
export function sustainingIssues(
  plate: SustainingPlate,
  { target, other_targets: others }: Targets,
): readonly SustainingIssue[] {
  const issues: SustainingIssue[] = [];
  const { pump_running_pa: running, cavitation_pa: cavitation } = plate;
  const set = target.set_point_pa;
  if (set + target.tolerance_pa > running)
    issues.push({ code: 'valve.sustains_over_pump', stops: true, running });
  if (set - target.tolerance_pa < cavitation)
    issues.push({ code: 'valve.sustains_under_cavitation', stops: true, cavitation });
  const reducing = plate.others?.['reducing'] && others?.['reducing'];
  if (reducing && reducing.set_point_pa + reducing.tolerance_pa > set)
    issues.push({ code: 'valve.reduces_over_sustaining', stops: true, sustaining: set });
  return issues;
}

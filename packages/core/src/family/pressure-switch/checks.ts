import { defaultInstrumentRules, switchKindOf, type Targets } from '../../valve';
import type { SwitchPlate } from './plate';

export type SwitchIssue =
  | { readonly code: 'valve.switch_is_no_limit'; readonly stops: true }
  | { readonly code: 'valve.differential_small'; readonly stops: false; readonly least: number }
  | {
      readonly code: 'valve.scale_not_as_printed';
      readonly stops: false;
      readonly kind: 'additive' | 'subtractive';
    };

/** An operating control without a manual reset is never recorded as a high limit. */
export function switchIssues(
  plate: SwitchPlate,
  { other_targets: others }: Targets,
): readonly SwitchIssue[] {
  const issues: SwitchIssue[] = [];
  if (plate.serves_as === 'limit' && !plate.manual_reset)
    issues.push({ code: 'valve.switch_is_no_limit', stops: true });
  const printed = switchKindOf(plate.printed);
  if (printed && printed !== plate.scale)
    issues.push({ code: 'valve.scale_not_as_printed', stops: false, kind: printed });
  const least = defaultInstrumentRules.switch_differential_least_pa;
  const differential = others?.['differential']?.set_point_pa;
  if (differential !== undefined && differential < least)
    issues.push({ code: 'valve.differential_small', stops: false, least });
  return issues;
}

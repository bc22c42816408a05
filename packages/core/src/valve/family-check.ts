import type { Plate, Targets } from './plate';
import { defaultInstrumentRules } from './house-rules';
import { standardAirPressure } from './standard-air';
import { switchKindOf } from './switch-settings';

/** What only one family can have wrong. */
export type FamilyIssue =
  | { readonly code: 'valve.spring_to_change'; readonly stops: false; readonly colour: string; readonly wouldDo: string }
  | { readonly code: 'valve.sustains_over_pump'; readonly stops: true; readonly running: number }
  | { readonly code: 'valve.sustains_under_cavitation'; readonly stops: true; readonly cavitation: number }
  | { readonly code: 'valve.reduces_over_sustaining'; readonly stops: true; readonly sustaining: number }
  | { readonly code: 'valve.relief_under_working'; readonly stops: true; readonly working: number }
  | { readonly code: 'valve.over_machine'; readonly stops: true; readonly most: number }
  | { readonly code: 'valve.wrong_sign_for_service'; readonly stops: true; readonly service: 'pressure' | 'vacuum' }
  | { readonly code: 'valve.maker_figure_wanted'; readonly stops: false; readonly estimate: number }
  | { readonly code: 'valve.cross_port_over_main'; readonly stops: true; readonly main: number }
  | { readonly code: 'valve.compensator_over_main'; readonly stops: true; readonly main: number }
  | { readonly code: 'valve.compensator_under_load'; readonly stops: true; readonly load: number }
  | { readonly code: 'valve.switch_is_no_limit'; readonly stops: true }
  | { readonly code: 'valve.differential_small'; readonly stops: false; readonly least: number }
  | { readonly code: 'valve.scale_not_as_printed'; readonly stops: false; readonly kind: 'additive' | 'subtractive' }
  | { readonly code: 'valve.maker_range_upside_down'; readonly stops: true }
  | { readonly code: 'valve.outside_maker_range'; readonly stops: true; readonly low: number; readonly high: number }; // prettier-ignore

/** Rules between a family's own figures. */
export function familyIssues(plate: Plate, { target, other_targets: others }: Targets): FamilyIssue[] {
  const set = target.set_point_pa;
  switch (plate.family) {
    case 'sustaining': {
      const issues: FamilyIssue[] = [];
      if (set + target.tolerance_pa > plate.pump_running_pa)
        issues.push({ code: 'valve.sustains_over_pump', stops: true, running: plate.pump_running_pa });
      if (set - target.tolerance_pa < plate.cavitation_pa)
        issues.push({
          code: 'valve.sustains_under_cavitation',
          stops: true,
          cavitation: plate.cavitation_pa,
        });
      const reducing = others?.['reducing'];
      if (plate.others?.['reducing'] && reducing && reducing.set_point_pa + reducing.tolerance_pa > set)
        issues.push({ code: 'valve.reduces_over_sustaining', stops: true, sustaining: set });
      return issues;
    }
    case 'relief_pilot':
      return set - target.tolerance_pa <= plate.working_pa
        ? [{ code: 'valve.relief_under_working', stops: true, working: plate.working_pa }]
        : [];
    case 'relief_spring':
      return springReliefIssues(plate, set);
    case 'hydraulic': {
      const issues: FamilyIssue[] = [];
      for (const id of ['cross_a', 'cross_b'])
        if (others?.[id] && others[id].set_point_pa >= set)
          issues.push({ code: 'valve.cross_port_over_main', stops: true, main: set });
      const compensator = others?.['compensator'];
      if (compensator && compensator.set_point_pa >= set)
        issues.push({ code: 'valve.compensator_over_main', stops: true, main: set });
      if (compensator && compensator.set_point_pa <= plate.heaviest_load_pa)
        issues.push({ code: 'valve.compensator_under_load', stops: true, load: plate.heaviest_load_pa });
      return issues;
    }
    case 'pressure_switch':
      return switchIssues(plate, others?.['differential']?.set_point_pa);
    case 'burner_pilot': {
      const { maker_low_pa: low, maker_high_pa: high } = plate;
      if (!(low < high)) return [{ code: 'valve.maker_range_upside_down', stops: true }];
      return set < low || set > high ? [{ code: 'valve.outside_maker_range', stops: true, low, high }] : [];
    }
    default:
      return [];
  }
}

/** An operating control without a manual reset is never recorded as a high limit. */
function switchIssues(
  plate: Extract<Plate, { family: 'pressure_switch' }>,
  differential: number | undefined,
): FamilyIssue[] {
  const issues: FamilyIssue[] = [];
  if (plate.serves_as === 'limit' && !plate.manual_reset)
    issues.push({ code: 'valve.switch_is_no_limit', stops: true });
  const printed = switchKindOf(plate.printed);
  if (printed && printed !== plate.scale)
    issues.push({ code: 'valve.scale_not_as_printed', stops: false, kind: printed });
  const least = defaultInstrumentRules.switch_differential_least_pa;
  if (differential !== undefined && differential < least)
    issues.push({ code: 'valve.differential_small', stops: false, least });
  return issues;
}

function springReliefIssues(plate: Extract<Plate, { family: 'relief_spring' }>, set: number): FamilyIssue[] {
  const isVacuum = plate.service === 'vacuum';
  if (set < 0 !== isVacuum)
    return [{ code: 'valve.wrong_sign_for_service', stops: true, service: plate.service }];
  const estimate = standardAirPressure(plate.machine_max_pa, plate.altitude_m, plate.air_k);
  const most = plate.maker_max_pa ?? (estimate.ok ? estimate.value : plate.machine_max_pa);
  const issues: FamilyIssue[] = [];
  if (Math.abs(set) > Math.abs(most) + 1) issues.push({ code: 'valve.over_machine', stops: true, most });
  if (plate.maker_max_pa === undefined && Math.abs(most - plate.machine_max_pa) > 0.01 * Math.abs(most))
    issues.push({ code: 'valve.maker_figure_wanted', stops: false, estimate: most });
  return issues;
}

import type { Targets } from '../../valve';
import type { BurnerPlate } from './plate';

export type BurnerIssue =
  | { readonly code: 'valve.maker_range_upside_down'; readonly stops: true }
  | {
      readonly code: 'valve.outside_maker_range';
      readonly stops: true;
      readonly low: number;
      readonly high: number;
    };

/** Pilot gas stays inside what the burner's maker allows. */
export function burnerIssues(
  { maker_low_pa: low, maker_high_pa: high }: BurnerPlate,
  { target: { set_point_pa: set } }: Targets,
): readonly BurnerIssue[] {
  if (!(low < high)) return [{ code: 'valve.maker_range_upside_down', stops: true }];
  return set < low || set > high
    ? [{ code: 'valve.outside_maker_range', stops: true, low, high }]
    : [];
}

import { chooseSpring } from './spring-choice';
import { fittedSpring, type Plate, type Target } from './plate';

/** What is wrong with a plate or its target. `stops` means that no run may start on it. */
export type PlateIssue =
  | { readonly code: 'valve.range_upside_down'; readonly stops: true; readonly colour: string }
  | { readonly code: 'valve.spring_unknown'; readonly stops: true; readonly colour: string }
  | { readonly code: 'valve.not_finite'; readonly stops: true; readonly field: string }
  | { readonly code: 'valve.target_over_rating'; readonly stops: true; readonly rating: number }
  | { readonly code: 'valve.target_over_limit'; readonly stops: true; readonly limit: number }
  | { readonly code: 'valve.limit_over_rating'; readonly stops: true; readonly rating: number }
  | {
      readonly code: 'valve.target_outside_spring';
      readonly stops: true;
      readonly colour: string;
      readonly from: number;
      readonly to: number;
      /** Colours of the springs that would do, best first; empty when none does. */
      readonly wouldDo: readonly string[];
    }
  | { readonly code: 'valve.better_spring'; readonly stops: false; readonly colour: string }
  | { readonly code: 'valve.accessory_not_approved'; readonly stops: false; readonly accessory: string };

/**
 * Everything that is wrong with a plate and what is wanted of it, worst first; empty when sound.
 *
 * @param plate   figures in SI
 * @param target  set point, tolerance and limit, Pa gauge
 */
export function checkPlate(plate: Plate, target: Target): readonly PlateIssue[] {
  const issues: PlateIssue[] = [...finiteIssues(plate, target)];
  for (const { colour, from_pa, to_pa } of plate.springs)
    if (!(from_pa < to_pa)) issues.push({ code: 'valve.range_upside_down', stops: true, colour });
  if (issues.length > 0) return issues;
  const rating = plate.outlet_rating_pa;
  if (target.set_point_pa + target.tolerance_pa > rating)
    issues.push({ code: 'valve.target_over_rating', stops: true, rating });
  if (target.limit_pa > rating) issues.push({ code: 'valve.limit_over_rating', stops: true, rating });
  if (target.set_point_pa + target.tolerance_pa > target.limit_pa)
    issues.push({ code: 'valve.target_over_limit', stops: true, limit: target.limit_pa });
  issues.push(...springIssues(plate, target), ...approvalIssues(plate));
  return issues.sort((a, b) => Number(b.stops) - Number(a.stops));
}

function* finiteIssues(plate: Plate, target: Target): Generator<PlateIssue> {
  for (const [field, value] of [...Object.entries(plate), ...Object.entries(target)])
    if (typeof value === 'number' && !Number.isFinite(value))
      yield { code: 'valve.not_finite', stops: true, field };
}

function springIssues(plate: Plate, target: Target): PlateIssue[] {
  const fitted = fittedSpring(plate);
  if (!fitted) return [{ code: 'valve.spring_unknown', stops: true, colour: plate.fitted_spring }];
  const choice = chooseSpring(plate.springs, target.set_point_pa);
  const wouldDo = choice.ok ? choice.value.map(({ spring }) => spring.colour) : [];
  const { colour, from_pa: from, to_pa: to } = fitted;
  if (!wouldDo.includes(colour))
    return [{ code: 'valve.target_outside_spring', stops: true, colour, from, to, wouldDo }];
  const best = wouldDo[0]!;
  return best === colour ? [] : [{ code: 'valve.better_spring', stops: false, colour: best }];
}

const approvalIssues = ({ approval, accessories }: Plate): PlateIssue[] =>
  approval
    ? accessories
        .filter((accessory) => !approval.accessories.includes(accessory))
        .map((accessory) => ({ code: 'valve.accessory_not_approved', stops: false, accessory }))
    : [];

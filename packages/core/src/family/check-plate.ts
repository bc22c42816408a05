import { gaugePa } from '../quantity';
import {
  adjusterPlate,
  chooseSpring,
  defaultHouseRules,
  fittedSpring,
  isInstrument,
  ratingOf,
  targetOf,
  type AdjusterSpec,
  type AnyPlate,
  type LockupRules,
  type Target,
  type Targets,
} from '../valve';
import { workedOut } from './target-sum';
import { adjustersOf, definitionOf, type FamilyIssue } from './list';

/** What is wrong with a plate or its targets. `stops` means that no run may start on it. */
export type PlateIssue =
  | { readonly code: 'valve.range_upside_down'; readonly stops: true; readonly colour: string }
  | { readonly code: 'valve.spring_unknown'; readonly stops: true; readonly colour: string }
  | { readonly code: 'valve.not_finite'; readonly stops: true; readonly field: string }
  | { readonly code: 'valve.target_missing'; readonly stops: true; readonly adjuster: string }
  | { readonly code: 'valve.target_over_rating'; readonly stops: true; readonly rating: number }
  | { readonly code: 'valve.target_over_limit'; readonly stops: true; readonly limit: number }
  | { readonly code: 'valve.limit_over_rating'; readonly stops: true; readonly rating: number }
  | { readonly code: 'valve.limit_over_lowest'; readonly stops: true; readonly limit: number }
  | { readonly code: 'valve.target_not_its_sum'; readonly stops: false; readonly wanted: number }
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
  | {
      readonly code: 'valve.accessory_not_approved';
      readonly stops: false;
      readonly accessory: string;
    }
  | {
      readonly code: 'valve.spring_to_change';
      readonly stops: false;
      readonly colour: string;
      readonly wouldDo: string;
    }
  | FamilyIssue;

/**
 * Everything that is wrong with a plate and what is wanted of it, worst first; empty when sound.
 *
 * @param plate    figures in SI
 * @param targets  set point, tolerance and limit of every adjuster, Pa gauge
 * @param rules    what lockup may add in this house
 */
export function checkPlate(
  plate: AnyPlate,
  targets: Targets,
  rules: LockupRules = defaultHouseRules,
): readonly PlateIssue[] {
  if (isInstrument(plate))
    return [...finiteIssues(plate, targets.target), ...ownIssues(plate, targets)];
  const specs = adjustersOf(plate);
  const issues: PlateIssue[] = [];
  for (const spec of specs) {
    const target = targetOf(targets, spec.id);
    if (target) issues.push(...finiteIssues(plate, target));
    else issues.push({ code: 'valve.target_missing', stops: true, adjuster: spec.name });
    for (const { colour, from_pa, to_pa } of adjusterPlate(plate, spec.id).springs)
      if (!(from_pa < to_pa)) issues.push({ code: 'valve.range_upside_down', stops: true, colour });
  }
  if (issues.length > 0) return issues;
  for (const spec of specs)
    issues.push(
      ...adjusterIssues(plate, targetOf(targets, spec.id)!, spec),
      ...sumIssues(plate, targetOf(targets, spec.id)!, spec, rules),
    );
  issues.push(...ownIssues(plate, targets), ...approvalIssues(plate));
  return issues.sort((a, b) => Number(b.stops) - Number(a.stops));
}

/** A vacuum is judged by its size: every figure of it is turned round. */
function adjusterIssues(plate: AnyPlate, target: Target, spec: AdjusterSpec): PlateIssue[] {
  const issues: PlateIssue[] = [];
  const sign = target.set_point_pa < 0 ? -1 : 1;
  const rating = sign * ratingOf(plate, spec.role);
  const set = sign * target.set_point_pa;
  const limit = sign * target.limit_pa;
  if (set + target.tolerance_pa > rating)
    issues.push({ code: 'valve.target_over_rating', stops: true, rating: sign * rating });
  if (limit > rating)
    issues.push({ code: 'valve.limit_over_rating', stops: true, rating: sign * rating });
  if (set + target.tolerance_pa > limit)
    issues.push({ code: 'valve.target_over_limit', stops: true, limit: target.limit_pa });
  return [...issues, ...springIssues(plate, set, spec)];
}

/** A target that is not what it was worked out to be; a limit that the lowest point cannot bear. */
function* sumIssues(
  plate: AnyPlate,
  target: Target,
  spec: AdjusterSpec,
  rules: LockupRules,
): Generator<PlateIssue> {
  const sum = workedOut(plate, target, spec, rules);
  if (!sum) return;
  if (sum.limit !== undefined && target.limit_pa > sum.limit)
    yield { code: 'valve.limit_over_lowest', stops: true, limit: sum.limit };
  if (Math.abs(target.set_point_pa - sum.setPoint) > target.tolerance_pa)
    yield { code: 'valve.target_not_its_sum', stops: false, wanted: sum.setPoint };
}

function* finiteIssues(plate: AnyPlate, target: Target): Generator<PlateIssue> {
  for (const [field, value] of [...Object.entries(plate), ...Object.entries(target)])
    if (typeof value === 'number' && !Number.isFinite(value))
      yield { code: 'valve.not_finite', stops: true, field };
}

function springIssues(plate: AnyPlate, setPoint: number, { id }: AdjusterSpec): PlateIssue[] {
  const own = adjusterPlate(plate, id);
  const fitted = fittedSpring(own);
  if (!fitted) return [{ code: 'valve.spring_unknown', stops: true, colour: own.fitted_spring }];
  const choice = chooseSpring(own.springs, gaugePa(setPoint));
  const wouldDo = choice.ok ? choice.value.map(({ spring }) => spring.colour) : [];
  const { colour, from_pa: from, to_pa: to } = fitted;
  if (!wouldDo.includes(colour))
    return [
      // A wrong spring that can be changed in the run is work, not a stop.
      definitionOf(plate.family).changesSpringInRun && wouldDo.length > 0
        ? { code: 'valve.spring_to_change', stops: false, colour, wouldDo: wouldDo[0]! }
        : { code: 'valve.target_outside_spring', stops: true, colour, from, to, wouldDo },
    ];
  const best = wouldDo[0]!;
  return best === colour ? [] : [{ code: 'valve.better_spring', stops: false, colour: best }];
}

const approvalIssues = ({ approval, accessories }: AnyPlate): PlateIssue[] =>
  approval
    ? accessories
        .filter((accessory) => !approval.accessories.includes(accessory))
        .map((accessory) => ({ code: 'valve.accessory_not_approved', stops: false, accessory }))
    : [];

const ownIssues = (plate: AnyPlate, targets: Targets): readonly FamilyIssue[] =>
  definitionOf(plate.family).checks?.(plate, targets) ?? [];

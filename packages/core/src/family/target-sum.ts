import { gaugePa } from '../quantity';
import {
  defaultHouseRules,
  lockupAllowed,
  sumLimit,
  sumSetPoint,
  type AdjusterSpec,
  type AnyPlate,
  type LockupRules,
  type Target,
} from '../valve';
import { lineDensityOf } from './gauge-head';
import { definitionOf } from './list';

/** What the sum of a target comes to, Pa gauge; `limit` where its lowest point is told. */
export type WorkedOut = { readonly setPoint: number; readonly limit: number | undefined };

/** Whether a set point of an adjuster may be worked out from what the neediest point wants. */
export const isWorkedOut = (
  { family }: Pick<AnyPlate, 'family'>,
  { role }: Pick<AdjusterSpec, 'role'>,
): boolean => role === 'outlet' && (definitionOf(family).facts.lineDensity ?? 0) > 0;

/** The set point and the limit that a target’s own sum asks for; undefined where it has none. */
export function workedOut(
  plate: AnyPlate,
  target: Target,
  adjuster: AdjusterSpec,
  rules: LockupRules = defaultHouseRules,
): WorkedOut | undefined {
  const { sum } = target;
  if (!sum) return undefined;
  const density = lineDensityOf(plate);
  const setPoint = sumSetPoint(sum, density);
  const open = { ...target, set_point_pa: setPoint, limit_pa: Infinity };
  const free = { ...plate, outlet_rating_pa: Infinity, inlet_rating_pa: Infinity };
  const lockup = lockupAllowed(
    { plate: free, target: open, adjuster, small: gaugePa(setPoint) },
    rules,
  );
  return { setPoint, limit: sumLimit(sum, density, lockup) };
}

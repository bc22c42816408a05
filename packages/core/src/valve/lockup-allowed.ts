import { differencePa, type GaugePressure, type PressureDifference } from '../quantity';
import type { AdjusterSpec } from './adjuster';
import type { HouseRules } from './house-rules';
import { ratingOf, type AnyPlate } from './plate';
import type { Target } from './target';

/** The owner’s figures of what lockup may add. */
export type LockupRules = Pick<HouseRules, 'lockup_fraction' | 'lockup_least_pa' | 'lockup_gas'>;

type Stand = {
  readonly plate: AnyPlate;
  readonly target: Target;
  readonly adjuster: AdjusterSpec;
  /** What it held at small flow, Pa. */
  readonly small: GaugePressure;
};

/**
 * How far the pressure may rise and stay when nothing flows.
 *
 * On water a share of the set point, at least so much; on gas by rules of its own, low pressures apart from
 * high ones. Never as far as the limit or a rating, whatever the share.
 *
 * @returns Pa, ≥ 0
 * @example lockupAllowed({ plate: { outlet_rating_pa: 1e6 }, target: { set_point_pa: 2000, limit_pa: 4000 },
 *   adjuster: { role: 'outlet', fluid: 'gas' }, small: 2000 },
 *   { lockup_gas: { low_below_pa: 1e4, low_fraction: 0.15, low_least_pa: 300, fraction: 0.1, least_pa: 2000 } })
 *   // → 300
 */
export function lockupAllowed(
  { plate, target, adjuster, small }: Stand,
  rules: LockupRules,
): PressureDifference {
  const { lockup_gas: gas } = rules;
  // Runs that were begun before gas had its own: one rule for all, over what was held.
  if (!gas) return differencePa(Math.max(rules.lockup_fraction * small, rules.lockup_least_pa));
  const set = target.set_point_pa;
  const ceiling = Math.min(target.limit_pa, ratingOf(plate, adjuster.role));
  return differencePa(
    Math.max(0, Math.min(byRule(set, adjuster, { ...rules, gas }), ceiling - set)),
  );
}

type Rules = Pick<HouseRules, 'lockup_fraction' | 'lockup_least_pa'> & {
  readonly gas: NonNullable<HouseRules['lockup_gas']>;
};

/** A share, and at least so much; the least is a pressure and says nothing of a temperature. */
function byRule(set: number, { fluid, measures }: AdjusterSpec, { gas, ...rules }: Rules): number {
  if (measures === 'temperature') return rules.lockup_fraction * set;
  if (fluid !== 'gas') return Math.max(rules.lockup_fraction * set, rules.lockup_least_pa);
  return set < gas.low_below_pa
    ? Math.max(gas.low_fraction * set, gas.low_least_pa)
    : Math.max(gas.fraction * set, gas.least_pa);
}

import { paPerTurn } from '../../quantity';
import type { FleetKind, RatePrior } from '../../coach';
import { fittedSpring, type AdjusterPlate, type HouseRules } from '../../valve';

/** What a signed sheet has taught about an adjuster. */
export type TaughtRate = {
  readonly rate: number;
  readonly sd: number;
  readonly clockwise: 'raises' | 'lowers';
};

/** How the fleet names a spring: another range or rate under the same colour is another one. */
export const springName = (plate: AdjusterPlate): string => {
  const spring = fittedSpring(plate);
  return spring
    ? JSON.stringify([spring.colour, spring.from_pa, spring.to_pa, spring.rate_pa_per_turn])
    : '';
};

/**
 * Where the first guess of a rate comes from: this valve's last sheets, else others of its kind, else
 * its spring chart, else the family.
 *
 * @param taught  rates of earlier sheets, latest last
 * @param kind    what others of its kind have shown
 */
export function ratePrior(
  plate: AdjusterPlate,
  taught: readonly TaughtRate[],
  rules: HouseRules,
  kind?: FleetKind,
): RatePrior {
  const recent = taught.slice(-3);
  const direction = plate.clockwise;
  const directionTrust = rules.direction_trust;
  if (recent.length > 0) {
    const rate = recent.reduce((sum, item) => sum + Math.abs(item.rate), 0) / recent.length;
    const sdFraction = Math.max(rules.sheet_rate_sd_fraction, (recent.at(-1)?.sd ?? 0) / rate);
    return {
      rate: paPerTurn(rate),
      sdFraction,
      direction,
      directionTrust: Math.max(directionTrust, 0.995),
      from: 'sheets',
      model: 2,
    };
  }
  const spring = fittedSpring(plate);
  if (kind)
    return {
      rate: paPerTurn((spring?.rate_pa_per_turn ?? 1) * Math.exp(kind.mean)),
      sdFraction: kind.sd,
      direction,
      directionTrust,
      from: 'fleet',
      valves: kind.valves,
      model: 2,
    };
  return spring
    ? {
        rate: paPerTurn(spring.rate_pa_per_turn),
        sdFraction: rules.spring_rate_sd_fraction,
        direction,
        directionTrust,
        from: 'spring',
        model: 2,
      }
    : {
        rate: paPerTurn(rules.family_rate_pa_per_turn),
        sdFraction: rules.family_rate_sd_fraction,
        direction,
        directionTrust,
        from: 'family',
        model: 2,
      };
}

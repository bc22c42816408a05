import { gaugePa, type GaugePressure } from '../quantity';
import { err, ok, type Result } from '../result';
import type { Spring } from './plate';

export type SpringChoice = {
  readonly spring: Spring;
  /** Where the target lies in its range: 0 the low end, 0.5 the middle, 1 the high end. */
  readonly position: number;
};
export type SpringError = {
  readonly code: 'valve.no_spring_reaches';
  readonly lowest: GaugePressure;
  readonly highest: GaugePressure;
};

/**
 * Springs that hold the target, best first: the one in which it lies nearest the middle.
 *
 * @param springs  at least one, ranges in Pa gauge, rising
 * @param target   Pa gauge
 * @returns one or more choices in order of preference
 * @errors  valve.no_spring_reaches, with what the whole set spans: order the right spring
 */
export function chooseSpring(
  springs: readonly Spring[],
  target: GaugePressure,
): Result<readonly SpringChoice[], SpringError> {
  const choices = springs
    .filter(({ from_pa, to_pa }) => target >= from_pa && target <= to_pa)
    .map((spring) => ({
      spring,
      // A spring for one pressure alone stands in its middle there.
      position:
        spring.to_pa > spring.from_pa
          ? (target - spring.from_pa) / (spring.to_pa - spring.from_pa)
          : 0.5,
    }))
    .sort((a, b) => Math.abs(a.position - 0.5) - Math.abs(b.position - 0.5));
  if (choices.length > 0) return ok(choices);
  return err({
    code: 'valve.no_spring_reaches',
    lowest: gaugePa(Math.min(...springs.map(({ from_pa }) => from_pa))),
    highest: gaugePa(Math.max(...springs.map(({ to_pa }) => to_pa))),
  });
}

import type { Sample } from './decay-fit';
import { dyingOutOver, scatterOf, weightBeside, type DyingOut } from './dying-out';
import { normalCdf, normalQuantile } from './normal';

/** Time constants: shares of the record, and s that what dies out may take whatever its length. */
const SHORTEST = 1 / 60;
const LONGEST = 1 / 3;
const LONGEST_KNOWN = 45;
const TIME_CONSTANTS = 14;
/** Parts into which the belief about what dies out is cut, on either side of nothing. */
const PARTS = 6;

export type StandingSlope = {
  /** Per second. */
  readonly mean: number;
  /** Probability that the slope lies over a bound. */
  readonly over: (bound: number) => number;
};

/**
 * What a record says of the slope that stays when all that dies out has died out.
 *
 * Each time constant that the record can tell from a straight line is a description: a level, what dies out, and
 * a slope. Their beliefs about the slope are weighed by how well they fit.
 *
 * @param samples     s and any unit, rising in time, at least 5
 * @param resolution  readable division, in that unit
 * @param falls       chance that what dies out falls rather than rises, 0 … 1: what it may be bounds the slope
 */
export function standingSlope(
  samples: readonly Sample[],
  resolution: number,
  falls: number,
): StandingSlope {
  const span = samples.at(-1)!.t - samples[0]!.t;
  const shortest = SHORTEST * span;
  const longest = Math.max(LONGEST * span, LONGEST_KNOWN);
  const fits = dyingOutOver(samples, { shortest, longest, count: TIME_CONSTANTS }, true);
  const scatter = scatterOf(fits, resolution, 4);
  if (!scatter) return { mean: 0, over: () => 0.5 };
  const slopes = fits.flatMap((fit) =>
    cutAtNothing(fit, { weight: weightBeside(scatter, fit), spread: scatter.spread, falls }),
  );
  const total = slopes.reduce((sum, { weight }) => sum + weight, 0);
  const expected = (of: (slope: Slope) => number) =>
    slopes.reduce((sum, slope) => sum + (slope.weight / total) * of(slope), 0);
  return {
    mean: expected(({ mean }) => mean),
    over: (bound) => expected(({ mean, sd }) => normalCdf((mean - bound) / sd)),
  };
}

/** One belief about the slope that stays. */
type Slope = { readonly weight: number; readonly mean: number; readonly sd: number };
type Beside = { readonly weight: number; readonly spread: number; readonly falls: number };

/** The slope beside what dies out, which mostly goes one way: what it may be bounds what the slope may be. */
function cutAtNothing(fit: DyingOut, { weight, spread, falls }: Beside): readonly Slope[] {
  const sd = fit.amplitudePerScatter * spread;
  const rising = normalCdf(-fit.amplitude / sd);
  const sides = [
    { from: 0, to: rising, prior: 1 - falls },
    { from: rising, to: 1, prior: falls },
  ];
  return sides.flatMap(({ from, to, prior }) =>
    Array.from({ length: PARTS }, (_, i) => {
      const off = sd * normalQuantile(from + ((i + 0.5) / PARTS) * (to - from));
      return {
        weight: (weight * prior * (to - from)) / PARTS,
        mean: fit.slope + fit.slopePerAmplitude * off,
        sd: fit.slopePerScatter * spread,
      };
    }),
  );
}

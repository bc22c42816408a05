import type { Sample } from './decay-fit';
import { leastSquares } from './least-squares';

/** A level and what dies out, for one time constant, with how well a record knows it. */
export type DyingOut = {
  readonly timeConstant: number;
  readonly level: number;
  /** What dies out, at the first sample: its best value, and its spread for readings that scatter by 1. */
  readonly amplitude: number;
  readonly amplitudePerScatter: number;
  /** Slope that stays, per second, its spread beside a known amplitude, and how it goes with that; 0 where none is asked for. */
  readonly slope: number;
  readonly slopePerScatter: number;
  readonly slopePerAmplitude: number;
  readonly rss: number;
  readonly residuals: readonly number[];
};

/** Readings of a record so short that each counts by itself. */
const COUNTS_ALONE = 20;
/** Fewest independent readings that a record of any length is taken for. */
const LEAST_INDEPENDENT = 6;

/** The same record as at most so many samples, each the mean of its neighbours. */
export function thinned(samples: readonly Sample[], most: number): readonly Sample[] {
  const block = Math.ceil(samples.length / most);
  if (block <= 1) return samples;
  const thin: Sample[] = [];
  // Blocks are laid from the end, so that the last sample is never averaged with nothing.
  for (let end = samples.length; end >= block; end -= block) {
    const part = samples.slice(end - block, end);
    const sum = part.reduce((a, b) => ({ t: a.t + b.t, value: a.value + b.value }));
    thin.unshift({ t: sum.t / block, value: sum.value / block });
  }
  return thin;
}

/**
 * A level and what dies out, fitted for every time constant of a logarithmic grid.
 *
 * @param samples  s and any unit, rising in time; at least 4 (5 with a slope)
 * @param range    shortest and longest time constant, s
 * @param isSloped whether a straight slope lies under it
 * @returns only those that the record can tell apart from its other parts
 */
export function dyingOutOver(
  samples: readonly Sample[],
  range: { readonly shortest: number; readonly longest: number; readonly count: number },
  isSloped: boolean,
): readonly DyingOut[] {
  const start = samples[0]?.t ?? 0;
  const times = samples.map(({ t }) => t - start);
  const values = samples.map(({ value }) => value);
  const ratio = range.longest / range.shortest;
  return Array.from({ length: range.count }, (_, i) =>
    fitFor(times, values, range.shortest * ratio ** (i / (range.count - 1)), isSloped),
  ).filter((fit) => fit !== undefined);
}

function fitFor(
  times: readonly number[],
  values: readonly number[],
  timeConstant: number,
  isSloped: boolean,
): DyingOut | undefined {
  const ones = times.map(() => 1);
  const dying = times.map((t) => Math.exp(-t / timeConstant));
  const others = isSloped ? [ones, times] : [ones];
  const fit = leastSquares([ones, dying, ...(isSloped ? [times] : [])], values);
  const dyingBeside = leastSquares(others, dying);
  const timesBeside = leastSquares([ones], times);
  if (!fit.ok || !dyingBeside.ok || !timesBeside.ok) return undefined;
  if (!(dyingBeside.value.rss > 0) || !(timesBeside.value.rss > 0)) return undefined;
  const [level = 0, amplitude = 0, slope = 0] = fit.value.coefficients;
  return {
    timeConstant,
    level,
    amplitude,
    slope,
    amplitudePerScatter: 1 / Math.sqrt(dyingBeside.value.rss),
    slopePerScatter: isSloped ? 1 / Math.sqrt(timesBeside.value.rss) : 0,
    slopePerAmplitude: isSloped ? -dyingBeside.value.coefficients[1]! : 0,
    rss: fit.value.rss,
    residuals: values.map((value, i) => value - level - amplitude * dying[i]! - slope * times[i]!),
  };
}

export type Scatter = {
  readonly best: DyingOut;
  /** Share of the readings that are independent of each other. */
  readonly share: number;
  /** Variance of a reading, at least that of its rounding. */
  readonly variance: number;
  /** Spread by which the figures of a fit are scaled: that of a reading, for what the record is worth. */
  readonly spread: number;
};

/**
 * How much readings scatter about the best of several fits. Neighbours that scatter alike (rounding, a slow
 * gauge) count less; few readings know their own scatter badly, as Student's t by its spread.
 *
 * @param parameters  that each fit has
 */
export function scatterOf(
  fits: readonly DyingOut[],
  resolution: number,
  parameters: number,
): Scatter | undefined {
  const best = fits.reduce<DyingOut | undefined>(
    (a, b) => (a && a.rss <= b.rss ? a : b),
    undefined,
  );
  if (!best) return undefined;
  const independent = independentOf(best.residuals, resolution);
  const share = independent / best.residuals.length;
  const freedom = Math.max(1, independent - parameters);
  const variance = Math.max((share * best.rss) / freedom, resolution ** 2 / 12);
  const tails = freedom > 2 ? Math.sqrt(freedom / (freedom - 2)) : 3;
  return { best, share, variance, spread: (Math.sqrt(variance) * tails) / Math.sqrt(share) };
}

/** Weight of a fit beside the best one, by what it leaves, 0 … 1. */
export const weightBeside = ({ best, share, variance }: Scatter, fit: DyingOut): number =>
  Math.exp((-share * (fit.rss - best.rss)) / (2 * variance));

/** How many readings a record is worth by itself, of what is left of a fit. */
export function independentOf(residuals: readonly number[], resolution: number): number {
  const count = residuals.length;
  let [lag, square] = [0, 0];
  residuals.forEach((residual, i) => {
    square += residual ** 2;
    if (i > 0) lag += residual * residuals[i - 1]!;
  });
  if (count < COUNTS_ALONE) return count;
  // A record that never leaves its divisions says nothing of how its rounding goes on.
  if (square < (count * resolution ** 2) / 120) return COUNTS_ALONE;
  const alike = Math.min(0.98, Math.max(0, lag / square));
  return Math.max(LEAST_INDEPENDENT, (count * (1 - alike)) / (1 + alike));
}

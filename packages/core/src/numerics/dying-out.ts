import type { Sample } from './decay-fit';

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
/** A part that differs from a straight line by less than this share of itself cannot be told from one. */
const ALIKE = 1e-10;

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
  const beside = besideLine(times, isSloped);
  if (!beside) return [];
  const values = beside(samples.map(({ value }) => value));
  const ratio = range.longest / range.shortest;
  return Array.from({ length: range.count }, (_, i) => {
    const timeConstant = range.shortest * ratio ** (i / (range.count - 1));
    return fitFor(values, beside(times.map((t) => Math.exp(-t / timeConstant))), timeConstant);
  }).filter((fit) => fit !== undefined);
}

/** Numbers taken apart: a level, a slope, and what neither of them tells. */
type Apart = {
  readonly level: number;
  /** Per second; 0 where none is asked for. */
  readonly slope: number;
  readonly rest: readonly number[];
  readonly squares: number;
  readonly restSquares: number;
  /** Spread of the slope for readings that scatter by 1. */
  readonly slopePerScatter: number;
};

/** Takes numbers at some times apart; nothing where the times are all one. */
function besideLine(
  times: readonly number[],
  isSloped: boolean,
): ((numbers: readonly number[]) => Apart) | undefined {
  const mean = sumOf(times) / times.length;
  const about = times.map((t) => t - mean);
  const aboutSquares = dot(about, about);
  if (!(aboutSquares > 0)) return undefined;
  const slopePerScatter = isSloped ? 1 / Math.sqrt(aboutSquares) : 0;
  return (numbers) => {
    const middle = sumOf(numbers) / numbers.length;
    const slope = isSloped ? dot(about, numbers) / aboutSquares : 0;
    const rest = numbers.map((number, i) => number - middle - slope * about[i]!);
    return {
      level: middle - slope * mean,
      slope,
      rest,
      squares: dot(numbers, numbers),
      restSquares: dot(rest, rest),
      slopePerScatter,
    };
  };
}

/** Least squares of values by a level, a slope and what dies out, by what of each the line does not tell. */
function fitFor(values: Apart, dying: Apart, timeConstant: number): DyingOut | undefined {
  if (!(dying.restSquares > ALIKE ** 2 * dying.squares)) return undefined;
  const amplitude = dot(dying.rest, values.rest) / dying.restSquares;
  const residuals = values.rest.map((value, i) => value - amplitude * dying.rest[i]!);
  return {
    timeConstant,
    level: values.level - amplitude * dying.level,
    amplitude,
    slope: values.slope - amplitude * dying.slope,
    amplitudePerScatter: 1 / Math.sqrt(dying.restSquares),
    slopePerScatter: values.slopePerScatter,
    slopePerAmplitude: -dying.slope,
    rss: dot(residuals, residuals),
    residuals,
  };
}

const sumOf = (numbers: readonly number[]): number => {
  let sum = 0;
  for (const number of numbers) sum += number;
  return sum;
};

const dot = (a: readonly number[], b: readonly number[]): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
};

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

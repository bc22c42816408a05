import { err, ok, type Result } from '../result';
import { leastSquares } from './least-squares';

export type Sample = { readonly t: number; readonly value: number };

/** value(t) = level + amplitude · exp(−(t − t₀)/timeConstant) + slope · (t − t₀). */
export type DecayFit = {
  readonly level: number;
  readonly amplitude: number;
  readonly timeConstant: number;
  readonly slope: number;
  readonly rss: number;
  readonly count: number;
};
export type DecayError = { readonly code: 'numerics.too_few_points' | 'numerics.no_time_span' };

/**
 * Level and decaying exponential fitted to samples; with `drift`, a straight line under it too.
 *
 * The time constant is searched on a logarithmic grid between a tenth of the span and twice the
 * span, then refined by golden section; for each one the rest is linear (variable projection).
 *
 * @param samples  time in s, rising; any unit of value; at least 4 (5 with drift)
 * @errors  numerics.too_few_points · numerics.no_time_span
 */
export function fitDecay(
  samples: readonly Sample[],
  options: { readonly drift?: boolean } = {},
): Result<DecayFit, DecayError> {
  const drift = options.drift ?? false;
  if (samples.length < (drift ? 5 : 4)) return err({ code: 'numerics.too_few_points' });
  const start = samples[0]!.t;
  const span = samples.at(-1)!.t - start;
  if (!(span > 0)) return err({ code: 'numerics.no_time_span' });
  const times = samples.map(({ t }) => t - start);
  const values = samples.map(({ value }) => value);
  const ones = times.map(() => 1);

  const fitAt = (timeConstant: number): DecayFit | undefined => {
    const columns = [ones, times.map((t) => Math.exp(-t / timeConstant))];
    if (drift) columns.push(times);
    const fit = leastSquares(columns, values);
    if (!fit.ok) return undefined;
    const [level = 0, amplitude = 0, slope = 0] = fit.value.coefficients;
    return { level, amplitude, slope, timeConstant, rss: fit.value.rss, count: samples.length };
  };

  const grid = Array.from({ length: 16 }, (_, i) => span * 0.05 * 40 ** (i / 15));
  let best: DecayFit | undefined;
  for (const timeConstant of grid) {
    const fit = fitAt(timeConstant);
    if (fit && (!best || fit.rss < best.rss)) best = fit;
  }
  if (!best) return err({ code: 'numerics.no_time_span' });
  return ok(refine(best, fitAt));
}

/** Golden-section search of the logarithm of the time constant around a grid minimum. */
function refine(best: DecayFit, fitAt: (timeConstant: number) => DecayFit | undefined): DecayFit {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let low = Math.log(best.timeConstant) - 0.3;
  let high = Math.log(best.timeConstant) + 0.3;
  let winner = best;
  for (let i = 0; i < 18; i++) {
    const left = fitAt(Math.exp(high - ratio * (high - low)));
    const right = fitAt(Math.exp(low + ratio * (high - low)));
    if (!left || !right) return winner;
    const better = left.rss < right.rss ? left : right;
    if (better.rss < winner.rss) winner = better;
    if (better === left) high = low + ratio * (high - low);
    else low = high - ratio * (high - low);
  }
  return winner;
}

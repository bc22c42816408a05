import { leastSquares } from '../numerics';
import { err, ok, type Result } from '../result';

/** A step test: time in s, controller output and process value in % of their spans. */
export type StepSample = { readonly t: number; readonly output: number; readonly value: number };

/** First order plus dead time: %/%, s, s. */
export type ProcessModel = {
  readonly gain: number;
  readonly timeConstant: number;
  readonly deadTime: number;
};
export type StepFit = {
  readonly model: ProcessModel;
  readonly stepAt: number;
  readonly stepSize: number;
  /** Process value before the step, %. */
  readonly before: number;
  /** Standard deviation of what the model leaves over, %. */
  readonly residual: number;
  /** Share of the variance that the model explains, 0 … 1. */
  readonly explained: number;
  /** False when the record ends before the value has come most of the way: the gain is then a guess. */
  readonly sawTheEnd: boolean;
};
export type StepError =
  | { readonly code: 'tune.too_short'; readonly samples: number }
  | { readonly code: 'tune.times_out_of_order' }
  | { readonly code: 'tune.no_step' }
  | { readonly code: 'tune.only_noise' }
  | { readonly code: 'tune.too_fast'; readonly interval: number };

const LEAST_SAMPLES = 12;
/** Least step of the output, %, that is taken for one. */
const LEAST_STEP = 0.5;
/** A model must explain so many times what chance does: F at about one in ten thousand. */
const SURE_F = 12;

/**
 * Fits a first order with dead time to a record of one step of the output.
 *
 *     value = before + gain · step · (1 − exp(−(t − stepAt − deadTime) / timeConstant))
 *
 * Dead time and time constant are searched over a grid and refined; the rest is linear.
 *
 * @param samples  rising in time, at least 12, output stepped once
 * @errors  tune.too_short · tune.times_out_of_order · tune.no_step · tune.only_noise ·
 *          tune.too_fast: it had answered before the next sample, so there is nothing to time
 */
export function fitStep(samples: readonly StepSample[]): Result<StepFit, StepError> {
  if (samples.length < LEAST_SAMPLES)
    return err({ code: 'tune.too_short', samples: samples.length });
  if (samples.some(({ t }, i) => i > 0 && !(t > samples[i - 1]!.t)))
    return err({ code: 'tune.times_out_of_order' });
  const step = stepOf(samples);
  if (!step) return err({ code: 'tune.no_step' });
  const after = samples.at(-1)!.t - step.at;
  const values = samples.map(({ value }) => value);
  const best = search(samples, values, step.at, after);
  if (!best) return err({ code: 'tune.only_noise' });
  const n = values.length;
  const flat = values.reduce((sum, value) => sum + value, 0) / n;
  const total = values.reduce((sum, value) => sum + (value - flat) ** 2, 0);
  const f = (total - best.rss) / 3 / (best.rss / (n - 4) + 1e-12);
  if (!(f > SURE_F) || !(Math.abs(best.change) > 1e-9)) return err({ code: 'tune.only_noise' });
  const { timeConstant, deadTime, change, before, rss } = best;
  const interval = (samples.at(-1)!.t - samples[0]!.t) / (n - 1);
  if (timeConstant < interval / 3) return err({ code: 'tune.too_fast', interval });
  return ok({
    model: { gain: change / step.size, timeConstant, deadTime },
    stepAt: step.at,
    stepSize: step.size,
    before,
    residual: Math.sqrt(rss / Math.max(1, n - 4)),
    explained: 1 - rss / total,
    sawTheEnd: after >= deadTime + 2 * timeConstant,
  });
}

/** The moment that parts the record into two levels of output best, if their difference is a step. */
function stepOf(
  samples: readonly StepSample[],
): { readonly at: number; readonly size: number } | undefined {
  const sums = [0];
  for (const { output } of samples) sums.push(sums.at(-1)! + output);
  const total = sums.at(-1)!;
  const n = samples.length;
  let best = { gain: 0, i: 0, size: 0 };
  for (let i = 1; i < n; i++) {
    const size = (total - sums[i]!) / (n - i) - sums[i]! / i;
    const gain = size ** 2 * i * (n - i);
    if (gain > best.gain) best = { gain, i, size };
  }
  return Math.abs(best.size) >= LEAST_STEP
    ? { at: samples[best.i]!.t, size: best.size }
    : undefined;
}

type Fitted = {
  readonly timeConstant: number;
  readonly deadTime: number;
  readonly before: number;
  readonly change: number;
  readonly rss: number;
};

function search(
  samples: readonly StepSample[],
  values: readonly number[],
  stepAt: number,
  after: number,
): Fitted | undefined {
  const ones = values.map(() => 1);
  const fitAt = (deadTime: number, timeConstant: number): Fitted | undefined => {
    const rise = samples.map(({ t }) => {
      const since = t - stepAt - deadTime;
      return since > 0 ? 1 - Math.exp(-since / timeConstant) : 0;
    });
    const fit = leastSquares([ones, rise], values);
    if (!fit.ok) return undefined;
    const [before = 0, change = 0] = fit.value.coefficients;
    return { timeConstant, deadTime, before, change, rss: fit.value.rss };
  };
  let best: Fitted | undefined;
  const consider = (dead: number, constant: number) => {
    const fit = fitAt(dead, constant);
    if (fit && (!best || fit.rss < best.rss)) best = fit;
  };
  for (let i = 0; i < 24; i++)
    for (let j = 0; j < 18; j++) consider((after * 0.6 * i) / 24, after * 0.01 * 150 ** (j / 17));
  let reachDead = (after * 0.6) / 24;
  let reachLog = Math.log(150) / 17;
  // A shrinking pattern around the best so far: smooth in both, so each halving gains a digit.
  for (let round = 0; best && round < 14; round++) {
    const { deadTime, timeConstant } = best;
    for (const dx of [-1, 0, 1])
      for (const dy of [-1, 0, 1])
        consider(Math.max(0, deadTime + dx * reachDead), timeConstant * Math.exp(dy * reachLog));
    if (best.deadTime === deadTime && best.timeConstant === timeConstant) {
      reachDead /= 2;
      reachLog /= 2;
    }
  }
  return best;
}

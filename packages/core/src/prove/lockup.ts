import { akaike, akaikeWeight, fitDecay, leastSquares, type Sample } from '../numerics';
import { differencePa, type GaugePressure, type PressureDifference } from '../quantity';
import { err, ok, type Result } from '../result';

export type NoFlowVerdict = {
  /** levels: rises and stops. creeps: goes on rising, the seat leaks. */
  readonly shape: 'levels' | 'creeps';
  /** Akaike weight of the shape named, 0.5 … 1. */
  readonly sure: number;
  /** Last reading over the set point, Pa. */
  readonly rise: PressureDifference;
  /** Rise that may stay, Pa. */
  readonly allowed: PressureDifference;
  /** Pa/s at the end of the record; 0 when it levels. */
  readonly creepRate: number;
  readonly passes: boolean;
};
export type NoFlowError = {
  readonly code: 'prove.too_few_readings';
  readonly have: number;
  readonly want: number;
};

/**
 * Lockup or creep, from the outlet after the flow has stopped.
 *
 * Two descriptions compete on AICc: "rises and levels" (level + decaying exponential, or flat)
 * and "goes on rising" (the same over a straight line, or the line alone). A slope under half a
 * division in a whole record is not creep.
 *
 * @param samples     s and Pa, rising in time from the moment the flow stopped; at least 5
 * @param setPoint    Pa gauge, at small flow
 * @param resolution  readable division, Pa
 * @param allowed     rise that may stay, Pa
 * @errors  prove.too_few_readings
 * @example noFlowVerdict([0, 5, 10, 15, 20].map((t) => ({ t, value: 512_000 })), 500_000, 2000,
 *   25_000)
 *   // → ok({ shape: 'levels', rise: 12_000, allowed: 25_000, passes: true })
 */
export function noFlowVerdict(
  samples: readonly Sample[],
  setPoint: GaugePressure,
  resolution: number,
  allowed: PressureDifference,
): Result<NoFlowVerdict, NoFlowError> {
  if (samples.length < 5)
    return err({ code: 'prove.too_few_readings', have: samples.length, want: 5 });
  const floor = resolution ** 2 / 12;
  const span = samples.at(-1)!.t - samples[0]!.t;
  const straight = [line(samples, floor), decay(samples, floor, true)];
  // A line that falls is a valve weeping down to its set point: that is levelling too.
  const climbs = ({ slope }: Candidate) => slope * span > resolution / 2;
  const rising = best(straight.filter(climbs));
  const levelling = best([
    flat(samples, floor),
    decay(samples, floor, false),
    ...straight.filter((candidate) => !climbs(candidate)),
  ]);
  const creeps = rising.aicc < levelling.aicc;
  const sure = akaikeWeight(
    creeps ? rising.aicc : levelling.aicc,
    creeps ? levelling.aicc : rising.aicc,
  );
  const rise = samples.at(-1)!.value - setPoint;
  return ok({
    shape: creeps ? 'creeps' : 'levels',
    sure: Math.max(0.5, sure),
    rise: differencePa(rise),
    allowed,
    creepRate: creeps ? rising.slope : 0,
    passes: !creeps && rise <= allowed,
  });
}

type Candidate = { readonly aicc: number; readonly slope: number };
const NOT_FITTED: Candidate = { aicc: Number.POSITIVE_INFINITY, slope: 0 };

const best = (candidates: readonly Candidate[]): Candidate =>
  candidates.reduce((a, b) => (b.aicc < a.aicc ? b : a), NOT_FITTED);

function flat(samples: readonly Sample[], floor: number): Candidate {
  const mean = samples.reduce((sum, { value }) => sum + value, 0) / samples.length;
  const rss = samples.reduce((sum, { value }) => sum + (value - mean) ** 2, 0);
  return { aicc: akaike(rss, samples.length, 2, floor), slope: 0 };
}

function line(samples: readonly Sample[], floor: number): Candidate {
  const times = samples.map(({ t }) => t - samples[0]!.t);
  const fit = leastSquares(
    [times.map(() => 1), times],
    samples.map(({ value }) => value),
  );
  if (!fit.ok) return NOT_FITTED;
  return {
    aicc: akaike(fit.value.rss, samples.length, 3, floor),
    slope: fit.value.coefficients[1]!,
  };
}

function decay(samples: readonly Sample[], floor: number, drift: boolean): Candidate {
  const fit = fitDecay(samples, { drift });
  if (!fit.ok) return NOT_FITTED;
  // With time constants beyond the record an exponential mimics a line: that is not levelling.
  const span = samples.at(-1)!.t - samples[0]!.t;
  if (fit.value.timeConstant > (drift ? span / 3 : span * 0.8)) return NOT_FITTED;
  return {
    aicc: akaike(fit.value.rss, samples.length, drift ? 5 : 4, floor),
    slope: fit.value.slope,
  };
}

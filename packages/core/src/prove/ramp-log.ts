import { fitPieces, surenessOfPieces, type Sample } from '../numerics';
import { err, ok, type Result } from '../result';

/** What one ramp of a log tells: where the pressure's slope breaks, and how sure that is. */
export type RampFinding = {
  readonly kind: 'up' | 'down';
  readonly from: number;
  readonly to: number;
  /** Pa gauge at the break: cracking on the way up, reseat on the way down. */
  readonly pressure: number;
  readonly t: number;
  /** Pa at the second break of an up-ramp: full flow. */
  readonly fullFlow: number | undefined;
  /** 0 … 1 against one straight line. */
  readonly sure: number;
};
export type RampError =
  | { readonly code: 'prove.log_too_short'; readonly have: number; readonly want: number }
  | { readonly code: 'prove.no_ramp' }
  | { readonly code: 'prove.no_break' };

const LEAST_SAMPLES = 24;
/** Samples that a ramp is thinned to: enough for the exact fit, few enough to try every break. */
const THINNED = 400;
/** Share of the whole range that a stretch must cover to count as a ramp. */
const LEAST_SHARE = 0.25;
const SURE = 0.9;

/**
 * Cracking and reseat from a logged pressure, ramp by ramp. While the valve is shut the pressure
 * follows the ramp; when it opens, or shuts, the slope breaks.
 *
 * @param samples     s and Pa, rising in time; gaps are fine
 * @param resolution  readable division, Pa
 * @returns findings in order of time, only those surer than 0.9
 * @errors  prove.log_too_short · prove.no_ramp · prove.no_break (every ramp is one straight line)
 */
export function readRamps(
  samples: readonly Sample[],
  resolution: number,
): Result<readonly RampFinding[], RampError> {
  if (samples.length < LEAST_SAMPLES)
    return err({ code: 'prove.log_too_short', have: samples.length, want: LEAST_SAMPLES });
  const ramps = splitRamps(samples, resolution);
  if (ramps.length === 0) return err({ code: 'prove.no_ramp' });
  const findings = ramps.flatMap((ramp) => {
    const finding = readRamp(ramp, resolution);
    return finding && finding.sure >= SURE ? [finding] : [];
  });
  return findings.length > 0 ? ok(findings) : err({ code: 'prove.no_break' });
}

type Ramp = { readonly kind: 'up' | 'down'; readonly samples: readonly Sample[] };

/** Stretches between turning points that are larger than the noise; rests at either end belong to none. */
export function splitRamps(samples: readonly Sample[], resolution: number): Ramp[] {
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const { value } of samples) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const swing = Math.max((high - low) * LEAST_SHARE, 4 * resolution);
  const turns = [0];
  let extreme = 0;
  let heading: 1 | -1 | 0 = 0;
  samples.forEach(({ value }, i) => {
    const best = samples[extreme]!.value;
    if (heading === 0) {
      if (Math.abs(value - samples[0]!.value) >= swing) {
        heading = value > samples[0]!.value ? 1 : -1;
        extreme = i;
      }
    } else if (heading * (value - best) >= 0) extreme = i;
    else if (heading * (best - value) >= swing) {
      turns.push(extreme);
      heading = heading === 1 ? -1 : 1;
      extreme = i;
    }
  });
  if (heading !== 0) turns.push(extreme);
  return turns.slice(1).flatMap((end, i) => {
    const start = turns[i]!;
    const stretch = trimRests(samples.slice(start, end + 1), resolution);
    if (stretch.length < LEAST_SAMPLES / 2) return [];
    return [{ kind: samples[end]!.value > samples[start]!.value ? 'up' : 'down', samples: stretch } as const];
  });
}

/** Leaves out the stretch at the start in which the pressure has not begun to move. */
function trimRests(samples: readonly Sample[], resolution: number): readonly Sample[] {
  const first = samples[0]!.value;
  const begins = samples.findIndex(({ value }) => Math.abs(value - first) > 3 * resolution);
  return begins > 2 ? samples.slice(begins - 2) : samples;
}

function thin(samples: readonly Sample[]): { readonly xs: Float64Array; readonly ys: Float64Array } {
  const block = Math.max(1, Math.ceil(samples.length / THINNED));
  const count = Math.floor(samples.length / block);
  const xs = new Float64Array(count);
  const ys = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    for (let j = 0; j < block; j++) {
      const { t, value } = samples[i * block + j]!;
      xs[i]! += t / block;
      ys[i]! += value / block;
    }
  }
  return { xs, ys };
}

function readRamp({ kind, samples }: Ramp, resolution: number): RampFinding | undefined {
  const { xs, ys } = thin(samples);
  const one = fitPieces(xs, ys, 1);
  const two = fitPieces(xs, ys, 2);
  const three = fitPieces(xs, ys, 3);
  if (!one.ok || !two.ok) return undefined;
  const floor = resolution ** 2 / 12;
  const isThree =
    three.ok && surenessOfPieces(two.value, three.value, floor) > 0.999 && bends(kind, three.value.slopes);
  const chosen = isThree ? three.value : two.value;
  // On the way up the slope eases when it opens; on the way down it steepens or eases when it shuts.
  const at = kind === 'up' ? 0 : chosen.knots.length - 1;
  const t = chosen.knots[at]!;
  const pressure = valueAt(xs, ys, t);
  return {
    kind,
    from: samples[0]!.t,
    to: samples.at(-1)!.t,
    t,
    pressure,
    fullFlow: kind === 'up' && chosen.knots.length > 1 ? valueAt(xs, ys, chosen.knots[1]!) : undefined,
    sure: surenessOfPieces(one.value, chosen, floor),
  };
}

/** Three pieces count only when the slope changes clearly at both knots. */
const bends = (kind: 'up' | 'down', slopes: readonly number[]): boolean => {
  const [a = 0, b = 0, c = 0] = slopes;
  const sign = kind === 'up' ? 1 : -1;
  return sign * a > 0 && Math.abs(b - a) > 0.15 * Math.abs(a) && Math.abs(c - b) > 0.15 * Math.abs(a);
};

/** Smoothed value at a time: a line through the nearest samples. */
function valueAt(xs: Float64Array, ys: Float64Array, t: number): number {
  let at = xs.findIndex((x) => x >= t);
  if (at < 0) at = xs.length - 1;
  const from = Math.max(0, at - 3);
  const to = Math.min(xs.length, at + 3);
  let sum = 0;
  let weight = 0;
  const width = Math.max(xs[to - 1]! - xs[from]!, 1e-9);
  for (let i = from; i < to; i++) {
    const w = 1 - Math.min(0.99, Math.abs(xs[i]! - t) / width);
    sum += w * ys[i]!;
    weight += w;
  }
  return sum / weight;
}

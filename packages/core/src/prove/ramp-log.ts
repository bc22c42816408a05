import {
  fitKink,
  fitPieces,
  independentOf,
  onPieces,
  surenessOfPieces,
  type Kink,
  type PiecewiseFit,
  type Sample,
} from '../numerics';
import { err, ok, type Result } from '../result';

/** What one ramp of a log tells: where the pressure's slope breaks, and how sure that is. */
export type RampFinding = {
  readonly kind: 'up' | 'down';
  readonly from: number;
  readonly to: number;
  /** Pa gauge at the break: cracking on the way up, reseat on the way down. */
  readonly pressure: number;
  /** Pa gauge between which the break lies nine times in ten. */
  readonly low: number;
  readonly high: number;
  readonly t: number;
  /** Pa at the second break of an up-ramp: full flow. */
  readonly fullFlow: number | undefined;
  /** 0 … 1 against one smooth curve. */
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
/** How sure a break must be, and how narrow its bounds: as a share of the pressure. */
const SURE = 0.9999;
const WIDEST = 0.03;

/**
 * Cracking and reseat from a logged pressure, ramp by ramp. While the valve is shut the pressure
 * follows the ramp; when it opens, or shuts, the slope breaks.
 *
 * @param samples     s and Pa, rising in time; gaps are fine
 * @param resolution  readable division, Pa
 * @returns findings in order of time, only those surer than 0.9999, with bounds closer than 3 % of the pressure
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
  // oxlint-disable-next-line typescript/no-unnecessary-condition -- set by the callback above
  if (heading !== 0) turns.push(extreme);
  return turns.slice(1).flatMap((end, i) => {
    const start = turns[i]!;
    const isUp = samples[end]!.value > samples[start]!.value;
    const until = isUp ? plateauEnd(samples, start, end, turns[i + 2] ?? samples.length - 1) : end;
    const stretch = trimRests(samples.slice(start, until + 1), resolution, isUp);
    if (stretch.length < LEAST_SAMPLES / 2) return [];
    return [{ kind: isUp ? 'up' : 'down', samples: stretch } as const];
  });
}

/** Share of a ramp's height that it may lose and still count as standing at its top. */
const TOP_SHARE = 0.3;

/** A valve that pops open lets the pressure dip from its peak: what stands near the top belongs to the way up. */
function plateauEnd(samples: readonly Sample[], start: number, peak: number, next: number): number {
  const least = samples[peak]!.value - TOP_SHARE * (samples[peak]!.value - samples[start]!.value);
  let end = peak;
  while (end < next && samples[end + 1]!.value >= least) end += 1;
  return end;
}

/** Share of a way up for which it may stand at its top: a valve that holds there has opened, one that rests tells no more. */
const STANDS = 0.25;

/** Leaves out the stretches at either end in which the pressure rests, but what tells that it opened. */
function trimRests(
  samples: readonly Sample[],
  resolution: number,
  isUp: boolean,
): readonly Sample[] {
  const first = samples[0]!.value;
  const last = samples.at(-1)!.value;
  const moves = (from: number) => (sample: Sample) =>
    Math.abs(sample.value - from) > 3 * resolution;
  const begins = Math.max(0, samples.findIndex(moves(first)) - 2);
  const ends = samples.findLastIndex(moves(last));
  const stands = isUp ? Math.ceil(STANDS * (ends - begins)) : 0;
  return samples.slice(begins, ends > begins ? ends + 3 + stands : samples.length);
}

function thin(samples: readonly Sample[]): {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
} {
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
  const isUp = kind === 'up';
  // The way down is read backwards: its shut part comes first then, too.
  const { xs, ys } = isUp ? thin(samples) : backwards(thin(samples));
  const two = fitPieces(xs, ys, 2);
  const three = fitPieces(xs, ys, 3);
  if (!two.ok) return undefined;
  const floor = resolution ** 2 / 12;
  const isThree =
    three.ok &&
    surenessOfPieces(two.value, three.value, floor) > 0.999 &&
    bends(three.value.slopes);
  const chosen = isThree ? three.value : two.value;
  const independent = independentShare(xs, ys, chosen, resolution);
  const whole = fitKink(xs, ys, { resolution, isJumping: false, independent });
  const roughs = [chosen.knots[0]!, ...(isUp ? [refine(xs, ys, chosen.knots[0]!)] : [])];
  const indices = [...roughs, ...(whole ? [whole.x] : [])].map((rough) =>
    xs.findIndex((x) => x >= rough),
  );
  const apart = indices.filter(
    (index, i) => !indices.slice(0, i).some((before) => Math.abs(before - index) <= 1),
  );
  const kink = apart
    .map((knot) => kinkNear({ xs, ys }, knot, { resolution, independent }))
    .filter((each) => each !== undefined)
    .reduce<Kink | undefined>((a, b) => (a && a.says >= b.says ? a : b), undefined);
  if (!kink) return undefined;
  const { x, y: pressure, low, high, says } = kink;
  const isNarrow = high - low <= WIDEST * Math.abs(pressure);
  return {
    kind,
    from: samples[0]!.t,
    to: samples.at(-1)!.t,
    t: isUp ? x : -x,
    pressure,
    low,
    high,
    fullFlow: isUp && chosen.knots.length > 1 ? chosen.after[1] : undefined,
    // Every place was tried: that many chances noise had.
    sure: isNarrow ? 1 / (1 + xs.length * Math.exp(-says)) : 0,
  };
}

type Thinned = { readonly xs: Float64Array; readonly ys: Float64Array };
const backwards = ({ xs, ys }: Thinned): Thinned => ({
  xs: xs.map((x) => -x).reverse(),
  ys: ys.slice().reverse(),
});

/** How far the readings of a ramp are independent of their neighbours, 0 … 1, judged by all of it. */
function independentShare(
  xs: Float64Array,
  ys: Float64Array,
  fit: PiecewiseFit,
  resolution: number,
): number {
  const residuals = Array.from(xs, (x, i) => ys[i]! - onPieces(fit, x));
  return independentOf(residuals, resolution) / xs.length;
}

/** The break looked at closely, by what lies before it and just behind; with a leap where that says much more. */
function kinkNear(
  { xs, ys }: Thinned,
  knot: number,
  noise: { readonly resolution: number; readonly independent: number },
): Kink | undefined {
  const end = Math.min(xs.length, knot + Math.max(LEAST_BEYOND, Math.ceil(CLOSE * knot)));
  const [plain, leaping] = [false, true].map((isJumping) =>
    fitKink(xs.subarray(0, end), ys.subarray(0, end), { ...noise, isJumping }),
  );
  return leaping && (!plain || leaping.says > plain.says + LEAP) ? leaping : plain;
}

/** Share of a ramp after the rough break that may still tell where it is. */
const BEYOND = 0.06;
const MOST_REFINEMENTS = 4;
/** Share of what lies before a break that is looked at behind it, and samples at least. */
const CLOSE = 0.2;
const LEAST_BEYOND = 12;
/** How much more a leap must say, logarithm of the likelihood. */
const LEAP = 4;
/** Change of slope, as a share of it, that is a bend and not noise. */
const CLEAR_BEND = 0.25;

/**
 * A break found again from what lies just about it: what the valve does once it flows (pops, sags,
 * levels) no longer draws the second line.
 */
function refine(xs: Float64Array, ys: Float64Array, rough: number): number {
  let t = rough;
  for (let i = 0; i < MOST_REFINEMENTS; i++) {
    const knot = xs.findIndex((x) => x >= t);
    const end = Math.min(xs.length, knot + Math.max(8, Math.ceil(BEYOND * xs.length)));
    const local = fitPieces(xs.subarray(0, end), ys.subarray(0, end), 3);
    if (!local.ok) break;
    const { knots, slopes } = local.value;
    // A third piece may fall within the straight stretch: the first clear bend is the break.
    const at = Math.abs(slopes[1]! - slopes[0]!) > CLEAR_BEND * Math.abs(slopes[0]!) ? 0 : 1;
    const moved = Math.abs(knots[at]! - t);
    t = knots[at]!;
    if (moved < 1e-3) break;
  }
  return t;
}

/** Three pieces count only when the slope changes clearly at both knots. */
const bends = (slopes: readonly number[]): boolean => {
  const [a = 0, b = 0, c = 0] = slopes;
  return a > 0 && Math.abs(b - a) > 0.15 * Math.abs(a) && Math.abs(c - b) > 0.15 * Math.abs(a);
};

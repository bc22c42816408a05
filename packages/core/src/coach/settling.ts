import { fitDecay, type Sample } from '../numerics';
import type { Seconds } from '../quantity';

export type Settling =
  | { readonly state: 'too_few' }
  | { readonly state: 'settled'; readonly level: number; readonly steadyFor: Seconds }
  | {
      readonly state: 'settling';
      readonly level: number;
      readonly wait: Seconds;
      readonly slope: number;
    }
  /** hunting: swings without dying out. */
  | { readonly state: 'hunting'; readonly swing: number };

const WINDOW: Seconds = 24;
const LONGEST_WAIT: Seconds = 600;

/**
 * Whether a pressure has come to rest, from its recent readings.
 *
 * Level plus decaying exponential over the last 24 s; settled when what is left to come is under
 * half a readable division and the residuals are no more than the gauge's own noise.
 *
 * @param samples     s and Pa, rising in time, since the last turn
 * @param resolution  readable division, Pa
 * @param noise       standard deviation of the gauge, Pa
 */
export function settling(samples: readonly Sample[], resolution: number, noise = 0): Settling {
  const end = samples.at(-1)?.t ?? 0;
  const recent = samples.filter(({ t }) => t >= end - WINDOW);
  const half = resolution / 2;
  const span = recent.length > 1 ? end - recent[0]!.t : 0;
  if (recent.length < 6 || span < 4) return { state: 'too_few' };
  const quiet = Math.max(half, 2 * noise);
  const steadyFor = steadyStretch(recent, quiet * 2);
  if (steadyFor >= 5 && steadyFor >= Math.min(span, 8)) {
    const calm = recent.filter(({ t }) => t >= end - steadyFor);
    const level = calm.reduce((sum, { value }) => sum + value, 0) / calm.length;
    return { state: 'settled', level, steadyFor };
  }
  const fit = fitDecay(recent);
  if (!fit.ok) return { state: 'too_few' };
  const { level, amplitude, timeConstant, rss } = fit.value;
  const scatter = Math.sqrt(rss / recent.length);
  if (scatter > 3 * quiet && turnsBack(recent, quiet) >= 2) {
    const values = recent.map(({ value }) => value);
    return { state: 'hunting', swing: Math.max(...values) - Math.min(...values) };
  }
  const left = amplitude * Math.exp(-span / timeConstant);
  const wait = timeConstant * Math.log(Math.max(Math.abs(left) / half, 1.5));
  return {
    state: 'settling',
    level,
    wait: Math.min(LONGEST_WAIT, Math.max(3, wait)),
    slope: -left / timeConstant,
  };
}

/** Seconds up to the last sample in which the reading has stayed within a band. */
function steadyStretch(samples: readonly Sample[], band: number): Seconds {
  const last = samples.at(-1)!;
  let low = last.value;
  let high = last.value;
  let since = last.t;
  for (let i = samples.length - 1; i >= 0; i--) {
    const { t, value } = samples[i]!;
    low = Math.min(low, value);
    high = Math.max(high, value);
    if (high - low > band) break;
    since = t;
  }
  return last.t - since;
}

/** How often the reading reverses by more than a band. */
function turnsBack(samples: readonly Sample[], band: number): number {
  let turns = 0;
  let extreme = samples[0]!.value;
  let heading = 0;
  for (const { value } of samples) {
    if (heading >= 0 && value > extreme) extreme = value;
    else if (heading <= 0 && value < extreme) extreme = value;
    else if (Math.abs(value - extreme) > band) {
      if (heading !== 0) turns += 1;
      heading = value > extreme ? 1 : -1;
      extreme = value;
    }
    if (heading === 0 && Math.abs(value - samples[0]!.value) > band) {
      heading = value > samples[0]!.value ? 1 : -1;
      extreme = value;
    }
  }
  return turns;
}

/**
 * Typed readings have settled when the last two agree and lie far enough apart.
 *
 * @param readings  s and Pa, rising in time, since the last turn
 * @param apart     s wanted between the two
 * @example typedSettled([{ t: 0, value: 518_000 }, { t: 20, value: 519_000 }], 1000, 15) // → true
 */
export function typedSettled(
  readings: readonly Sample[],
  resolution: number,
  apart: Seconds,
): boolean {
  const last = readings.at(-1);
  const before = readings.at(-2);
  if (!last || !before) return false;
  return last.t - before.t >= apart && Math.abs(last.value - before.value) <= resolution * 1.001;
}

import { err, ok, type Result } from '../result';

/** Settings of a proportional controller with reset, on signals of 0 … 100 %. */
export type PI = {
  /** % of output for a % of error: a wider band is less gain, and slower. */
  readonly gain: number;
  /** Seconds in which reset repeats the proportional action; undefined where it is shut off. */
  readonly integralTime: number | undefined;
};

export type BandError =
  { readonly code: 'tune.band_not_positive' } | { readonly code: 'tune.reset_not_positive' };

/**
 * Gain of a proportional band.
 *
 *     gain = 100 / band
 *
 * @param band  %, > 0: how far the error must go to drive the output over its whole span
 * @errors  tune.band_not_positive
 * @example gainOfBand(250) // → ok(0.4)
 */
export const gainOfBand = (band: number): Result<number, BandError> =>
  band > 0 ? ok(100 / band) : err({ code: 'tune.band_not_positive' });

/**
 * Proportional band of a gain, %.
 *
 * @example bandOfGain(0.4) // → ok(250)
 */
export const bandOfGain = (gain: number): Result<number, BandError> =>
  gain > 0 ? ok(100 / gain) : err({ code: 'tune.band_not_positive' });

/**
 * Seconds of integral time from minutes a repeat.
 *
 * @errors tune.reset_not_positive
 */
export const integralOfReset = (minutesPerRepeat: number): Result<number, BandError> =>
  minutesPerRepeat > 0 ? ok(minutesPerRepeat * 60) : err({ code: 'tune.reset_not_positive' });

/** Minutes a repeat and repeats a minute are each other’s inverse. */
export const otherReset = (value: number): Result<number, BandError> =>
  value > 0 ? ok(1 / value) : err({ code: 'tune.reset_not_positive' });

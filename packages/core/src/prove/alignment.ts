import { leastSquares } from '../numerics';
import { err, ok, type Result } from '../result';

/** Output while the proportional band is swept: gain of the band, negative on the reverse side; Pa. */
export type SweepReading = { readonly gain: number; readonly output: number };

export type Alignment = {
  /** How far the two pointers disagree, as a share of their scale: positive when the process pointer stands high. */
  readonly offset: number;
  /** Half of the largest spread of the output over the sweep, Pa. */
  readonly spread: number;
  readonly verdict: 'flat' | 'leans' | 'wanders';
};
export type AlignmentError =
  | { readonly code: 'prove.sweep_too_short'; readonly have: number; readonly want: number }
  | { readonly code: 'prove.sweep_one_sided' };

const LEAST = 4;

/**
 * Alignment of a controller: with both pointers held at the middle and reset shut, the output must
 * not follow the band.
 *
 *     output = middle + gain · offset · span
 *
 * @param readings   one for each band, on both sides of wide
 * @param span       Pa of the output signal
 * @param tolerance  Pa either way that counts as staying put
 * @returns `wanders` when it moves by more than the tolerance without following the gain
 * @errors  prove.sweep_too_short · prove.sweep_one_sided
 * @example alignmentOf([-2, -1, 1, 2].map((gain) => ({ gain, output: 60_000 + 800 * gain })), 80_000, 1000)
 *   // → ok({ offset: 0.01, spread: 1600, verdict: 'leans' })
 */
export function alignmentOf(
  readings: readonly SweepReading[],
  span: number,
  tolerance: number,
): Result<Alignment, AlignmentError> {
  if (readings.length < LEAST)
    return err({ code: 'prove.sweep_too_short', have: readings.length, want: LEAST });
  const gains = readings.map(({ gain }) => gain);
  if (!(Math.min(...gains) < 0 && Math.max(...gains) > 0))
    return err({ code: 'prove.sweep_one_sided' });
  const outputs = readings.map(({ output }) => output);
  const fit = leastSquares([gains.map(() => 1), gains], outputs);
  if (!fit.ok) return err({ code: 'prove.sweep_one_sided' });
  const slope = fit.value.coefficients[1] ?? 0;
  const spread = (Math.max(...outputs) - Math.min(...outputs)) / 2;
  const left = Math.sqrt(fit.value.rss / Math.max(1, readings.length - 2));
  const verdict = spread <= tolerance ? 'flat' : left > tolerance ? 'wanders' : 'leans';
  return ok({ offset: slope / span, spread, verdict });
}

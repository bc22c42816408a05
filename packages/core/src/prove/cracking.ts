import { differencePa, gaugePa, type GaugePressure, type PressureDifference } from '../quantity';
import { err, ok, type Result } from '../result';
import { blowdown } from './blowdown';

/** One opening and shutting as marked or found in a log; Pa gauge. */
export type OpeningCycle = {
  readonly cracked?: GaugePressure | undefined;
  readonly fullFlow?: GaugePressure | undefined;
  readonly reseated?: GaugePressure | undefined;
};

export type CrackingResult = {
  readonly cycles: number;
  readonly cracking: GaugePressure;
  /** Largest less smallest over the cycles, and their standard deviation; 0 for one cycle. */
  readonly crackingSpread: PressureDifference;
  readonly repeatability: PressureDifference;
  readonly reseat: GaugePressure | undefined;
  readonly reseatSpread: PressureDifference;
  /** Fraction of the cracking pressure; undefined until a reseat at or under it has been seen. */
  readonly blowdown: number | undefined;
  /** Rise from cracking to full flow as a fraction; undefined where full flow was not marked. */
  readonly overpressure: number | undefined;
};
export type CrackingError = { readonly code: 'prove.never_cracked' };

/**
 * Cracking, reseat, blowdown, overpressure and repeatability over the cycles of a relief valve.
 * A vacuum is reckoned by its size and given back with its sign.
 *
 * @param cycles  at least one in which it was seen to crack
 * @errors  prove.never_cracked
 * @example crackingResult([{ cracked: 700_000, reseated: 651_000 }])
 *   // → ok({ cracking: 700_000, blowdown: 0.07 })
 */
export function crackingResult(
  cycles: readonly OpeningCycle[],
): Result<CrackingResult, CrackingError> {
  const of = (key: keyof OpeningCycle) =>
    cycles.flatMap((cycle) => (cycle[key] === undefined ? [] : [cycle[key]]));
  const cracks = of('cracked');
  if (cracks.length === 0) return err({ code: 'prove.never_cracked' });
  const reseats = of('reseated');
  const full = of('fullFlow');
  const cracking = mean(cracks);
  const reseat = reseats.length > 0 ? mean(reseats) : undefined;
  const down =
    reseat === undefined
      ? undefined
      : blowdown(gaugePa(Math.abs(cracking)), gaugePa(Math.abs(reseat)));
  return ok({
    cycles: cracks.length,
    cracking: gaugePa(cracking),
    crackingSpread: differencePa(spread(cracks)),
    repeatability: differencePa(deviation(cracks)),
    reseat: reseat === undefined ? undefined : gaugePa(reseat),
    reseatSpread: differencePa(spread(reseats)),
    blowdown: down?.ok ? down.value : undefined,
    overpressure:
      full.length > 0 && cracking !== 0 ? (mean(full) - cracking) / cracking : undefined,
  });
}

const mean = (values: readonly number[]): number =>
  values.reduce((a, b) => a + b, 0) / values.length;
const spread = (values: readonly number[]): number =>
  values.length > 1 ? Math.max(...values) - Math.min(...values) : 0;

/** Standard deviation of a sample, n − 1. */
export function deviation(values: readonly number[]): number {
  if (values.length < 2) return 0;
  const middle = mean(values);
  return Math.sqrt(
    values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1),
  );
}

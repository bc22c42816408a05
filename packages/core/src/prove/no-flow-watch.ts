import { standingSlope, type Sample } from '../numerics';
import { differencePa, type GaugePressure, type PressureDifference } from '../quantity';
import { err, ok, type Result } from '../result';
import type { NoFlowError } from './lockup';

export type WatchedShape = 'levels' | 'creeps' | 'cannot_tell';

export type WatchVerdict = {
  readonly shape: WatchedShape;
  /** Probability of the shape named, 0 … 1; of the likelier one where it cannot be told. */
  readonly sure: number;
  /** Last reading over the set point, Pa. */
  readonly rise: PressureDifference;
  /** Rise that may stay, Pa. */
  readonly allowed: PressureDifference;
  /** Pa/s that it will still rise at when all that dies out has died out; 0 when it levels. */
  readonly creepRate: number;
  readonly passes: boolean;
};

type Watch = {
  /** Pa gauge, at small flow. */
  readonly setPoint: GaugePressure;
  /** Readable division, Pa. */
  readonly resolution: number;
  /** Rise that may stay, Pa. */
  readonly allowed: PressureDifference;
  /** Divisions a minute from which a rise that goes on is creep. */
  readonly creepDivisions: number;
};

/** Probability from which a shape is taken as known. */
const SURE = 0.99;
/** Shares of the least creep beyond which a slope speaks for one shape or the other. */
const QUARTER = 0.25;
const THREE_QUARTERS = 0.75;
const LEAST_SAMPLES = 5;
/** Chance that what dies out falls: a line that is shut off rises to its lockup, nearly always. */
const FALLS = 0.003;

/**
 * Lockup or creep, from the outlet after the flow has stopped.
 *
 * Creep is told where the slope that stays, once all that dies out has died out, is surely over a quarter of the
 * least creep, levelling where it is surely under three quarters of it; until then it cannot be told, and is
 * watched on.
 *
 * @param samples  s and Pa, rising in time from the moment the flow stopped; at least 5
 * @errors  prove.too_few_readings
 * @example noFlowWatch(Array.from({ length: 60 }, (_, t) => ({ t, value: 512_000 })),
 *   { setPoint: 500_000, resolution: 2000, allowed: 25_000, creepDivisions: 1.5 })
 *   // → ok({ shape: 'levels', rise: 12_000, passes: true })
 */
export function noFlowWatch(
  samples: readonly Sample[],
  { setPoint, resolution, allowed, creepDivisions }: Watch,
): Result<WatchVerdict, NoFlowError> {
  if (samples.length < LEAST_SAMPLES)
    return err({ code: 'prove.too_few_readings', have: samples.length, want: LEAST_SAMPLES });
  const least = (creepDivisions * resolution) / 60;
  const slope = standingSlope(samples, resolution, FALLS);
  const creeps = slope.over(QUARTER * least);
  const levels = 1 - slope.over(THREE_QUARTERS * least);
  const isCreep = creeps >= SURE && (levels < SURE || slope.mean >= least / 2);
  const isLevel = !isCreep && levels >= SURE;
  const rise = samples.at(-1)!.value - setPoint;
  return ok({
    shape: isCreep ? 'creeps' : isLevel ? 'levels' : 'cannot_tell',
    sure: Math.max(creeps, levels),
    rise: differencePa(rise),
    allowed,
    creepRate: isLevel ? 0 : slope.mean,
    passes: isLevel && rise <= allowed,
  });
}

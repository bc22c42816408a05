import { z } from 'zod';
import { headCorrection, metres, type PressureDifference } from '../quantity';
import { pressureSchema } from './plate';

const height = z.number().min(-1000).max(1000).optional();

/** What a set point on the outlet side is worked out from; what is absent counts as nothing. */
export const targetSumSchema = z.object({
  /** What the neediest point asks for while it draws. */
  need_pa: pressureSchema,
  /** Lost on the way to it. */
  loss_pa: z.number().nonnegative().max(1e8).optional(),
  /** m that it lies above the valve. */
  rise_m: height,
  /** Rating of the lowest point that hangs on the valve, and m that it lies below it. */
  lowest_rating_pa: pressureSchema.optional(),
  drop_m: height,
});
export type TargetSum = z.infer<typeof targetSumSchema>;

/**
 * The set point that a sum comes to.
 *
 *     set = need + lost + ρ · g · rise
 *
 * @param density  of what stands in the line, kg/m³; 0 where it weighs nothing
 * @returns Pa gauge
 * @example sumSetPoint({ need_pa: 300_000, loss_pa: 25_000, rise_m: 12 }, 998.2) // → 442_467
 */
export const sumSetPoint = (
  { need_pa: need, loss_pa: loss = 0, rise_m: rise = 0 }: TargetSum,
  density: number,
): number => need + loss + headCorrection(metres(rise), density);

/**
 * The limit that the lowest point sets: its rating less the column down to it, less what lockup may add.
 *
 * @returns Pa gauge; undefined where no lowest point is told
 * @example sumLimit({ need_pa: 0, lowest_rating_pa: 1e6, drop_m: 20 }, 998.2, 5e4) // → 754_220
 */
export const sumLimit = (
  { lowest_rating_pa: rating, drop_m: drop = 0 }: TargetSum,
  density: number,
  lockup: PressureDifference,
): number | undefined =>
  rating === undefined ? undefined : rating - headCorrection(metres(drop), density) - lockup;

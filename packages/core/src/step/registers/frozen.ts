import { z } from 'zod';

const number = z.number();

/** An electronic pilot: cables before power, terminals seen right, stroke, registers as left, its tuning. */
export const deviceSchema = z.object({
  cables: z.array(
    z.object({
      cable: z.enum(['loop', 'power']),
      supply_v: number,
      length_m: number,
      area_m2: number,
      drop_v: number,
      left_v: number,
    }),
  ),
  terminals: z.array(z.string()),
  stroke: z.object({ closed: number, open: number, seconds: number }).nullable(),
  registers: z.array(
    z.object({ address: number, name: z.string(), unit: z.string(), value: number }),
  ),
  tuning: z
    .object({
      trim: z.string(),
      period_s: number,
      amplitude: number,
      gain: number,
      integral_s: number,
    })
    .nullable(),
  /** Why it was not tuned anew; absent when it was. */
  kept_tuning_of: z.string().optional(),
  log_days: number,
});
export type FrozenDevice = z.infer<typeof deviceSchema>;

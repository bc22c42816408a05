import { z } from 'zod';

const number = z.number();

export const crackingSchema = z.object({
  cycles: z.array(
    z.object({
      cracked_pa: number.nullable(),
      full_flow_pa: number.nullable(),
      reseated_pa: number.nullable(),
    }),
  ),
  cracking_pa: number,
  cracking_spread_pa: number,
  repeatability_pa: number,
  reseat_pa: number.nullable(),
  reseat_spread_pa: number,
  blowdown: number.nullable(),
  overpressure: number.nullable(),
  source: z.enum(['marked', 'log']),
});
export type FrozenCracking = z.infer<typeof crackingSchema>;

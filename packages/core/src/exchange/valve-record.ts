import { z } from 'zod';
import { plateSchema, targetSchema } from '../valve';

/** A valve of the register. */
export const valveSchema = z.object({
  id: z.string().min(1).max(64),
  tag: z.string().min(1).max(40),
  name: z.string().max(120),
  place: z.string().max(120),
  plate: plateSchema,
  target: targetSchema,
  /** How its twin differs from the plate; absent for a twin drawn from the tag alone. */
  twin: z
    .object({
      seed: z.number().int().min(0).max(1e9),
      faults: z.array(
        z.enum(['reversed_screw', 'slow_main', 'trapped_air', 'leaking_seat', 'weak_supply', 'off_spring']),
      ),
      found_pa: z.number().min(0).max(1e9),
    })
    .optional(),
});
export type Valve = z.infer<typeof valveSchema>;

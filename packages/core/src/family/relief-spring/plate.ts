import { z } from 'zod';
import { plateOf, pressureSchema } from '../../valve';

export const springReliefPlateSchema = plateOf('relief_spring', {
  service: z.enum(['pressure', 'vacuum']),
  /** Greatest pressure of the machine by its plate, in standard air; negative for vacuum. */
  machine_max_pa: pressureSchema,
  altitude_m: z.number().min(-430).max(11_000),
  air_k: z.number().min(200).max(400),
  /** The maker's own figure for this altitude and air, when it has been asked for. */
  maker_max_pa: pressureSchema.optional(),
});
export type SpringReliefPlate = z.infer<typeof springReliefPlateSchema>;

import { z } from 'zod';
import { plateOf } from '../../valve';

/** What heats the water. */
export const heatingMedia = ['hot_water', 'steam', 'oil'] as const;

/** A face in degrees: every figure of this plate counts from melting ice. */
const degrees = z.number().min(-50).max(400);

export const temperaturePlateSchema = plateOf('temperature', {
  heated_by: z.enum(heatingMedia),
  /** Where a cut-out of its own shuts the heat off; absent where there is none. */
  cut_out: degrees.optional(),
});
export type TemperaturePlate = z.infer<typeof temperaturePlateSchema>;

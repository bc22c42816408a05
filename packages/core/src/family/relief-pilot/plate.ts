import type { z } from 'zod';
import { plateOf, pressureSchema } from '../../valve';

export const pilotReliefPlateSchema = plateOf('relief_pilot', {
  /** Of the line in normal work: the relief must be shut at it. */
  working_pa: pressureSchema,
});
export type PilotReliefPlate = z.infer<typeof pilotReliefPlateSchema>;

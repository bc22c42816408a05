import type { z } from 'zod';
import { plateOf, pressureSchema } from '../../valve';

export const sustainingPlateSchema = plateOf('sustaining', {
  /** Pressure of the pump in normal running, and below which it cavitates. */
  pump_running_pa: pressureSchema,
  cavitation_pa: pressureSchema,
});
export type SustainingPlate = z.infer<typeof sustainingPlateSchema>;

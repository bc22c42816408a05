import { z } from 'zod';
import { contactShape, plateOf } from '../../valve';

export const switchPlateSchema = plateOf('pressure_switch', {
  ...contactShape,
  /** What protects the vessel beside it: a boiler's own high limit, or a receiver's safety valve. */
  serves: z.enum(['boiler', 'receiver']).optional(),
});
export type SwitchPlate = z.infer<typeof switchPlateSchema>;

import { z } from 'zod';
import { plateOf, pressureSchema } from '../../valve';

export const hydraulicPlateSchema = plateOf('hydraulic', {
  heaviest_load_pa: pressureSchema,
  flow_m3s: z.number().positive().max(10),
});
export type HydraulicPlate = z.infer<typeof hydraulicPlateSchema>;

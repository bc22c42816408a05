import { z } from 'zod';
import { plateOf } from '../../valve';

export const suctionPlateSchema = plateOf('suction', {
  refrigerant: z.string().min(1).max(40),
});
export type SuctionPlate = z.infer<typeof suctionPlateSchema>;

import { z } from 'zod';
import { plateOf } from '../../valve';

export const gasPlateSchema = plateOf('gas', {
  loading: z.enum(['pilot', 'spring']),
});
export type GasPlate = z.infer<typeof gasPlateSchema>;

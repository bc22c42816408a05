import type { z } from 'zod';
import { plateOf } from '../../valve';

export const reducingPlateSchema = plateOf('reducing', {});
export type ReducingPlate = z.infer<typeof reducingPlateSchema>;

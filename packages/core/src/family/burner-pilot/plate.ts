import type { z } from 'zod';
import { flameShape, plateOf } from '../../valve';

export const burnerPlateSchema = plateOf('burner_pilot', flameShape);
export type BurnerPlate = z.infer<typeof burnerPlateSchema>;

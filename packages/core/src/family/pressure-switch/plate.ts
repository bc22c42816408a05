import type { z } from 'zod';
import { contactShape, plateOf } from '../../valve';

export const switchPlateSchema = plateOf('pressure_switch', contactShape);
export type SwitchPlate = z.infer<typeof switchPlateSchema>;

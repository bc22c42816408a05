import type { z } from 'zod';
import { electronicsShape, instrumentPlateOf } from '../../valve';

export const electronicPilotPlateSchema = instrumentPlateOf('electronic_pilot', electronicsShape);
export type ElectronicPilotPlate = z.infer<typeof electronicPilotPlateSchema>;

import type { z } from 'zod';
import { bandShape, instrumentPlateOf } from '../../valve';

export const controllerPlateSchema = instrumentPlateOf('controller', bandShape);
export type ControllerPlate = z.infer<typeof controllerPlateSchema>;

import type { z } from 'zod';
import { instrumentPlateOf } from '../../valve';

export const indicatorPlateSchema = instrumentPlateOf('indicator', {});
export type IndicatorPlate = z.infer<typeof indicatorPlateSchema>;

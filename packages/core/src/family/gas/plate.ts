import { z } from 'zod';
import { plateOf } from '../../valve';

export const gasPlateSchema = plateOf('gas', {
  loading: z.enum(['pilot', 'spring']),
  /** A seal on its main cap, or on its spring's; asked for where nobody has said that there is none. */
  sealed: z.boolean().optional(),
  /** Shuts off by itself where the outlet rises too far, or falls. */
  slam_shut: z.boolean().optional(),
  /** A relief valve downstream of it. */
  relief_after: z.boolean().optional(),
});
export type GasPlate = z.infer<typeof gasPlateSchema>;

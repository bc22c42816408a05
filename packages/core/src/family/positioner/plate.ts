import { z } from 'zod';
import { armShape, instrumentPlateOf, signalRangeSchema } from '../../valve';

export const positionerPlateSchema = instrumentPlateOf('positioner', {
  /** What air does to the valve; without air it goes the other way. */
  air_to: z.enum(['open', 'close']),
  /** The other half of a split range, when this is one half. */
  split_with: signalRangeSchema.optional(),
  /** The signal reaches it through a converter from current to pressure, a part with an error of its own. */
  converter: z.boolean().optional(),
  ...armShape,
});
export type PositionerPlate = z.infer<typeof positionerPlateSchema>;

import type { GaugeRole } from '../step';
import { fields, plainShape } from '../step-shape';

export const countShape = plainShape(
  'count',
  fields<{
    readonly adjuster: string;
    readonly role: GaugeRole;
    /** The search whose pressure it counts from. */
    readonly from: string;
  }>(),
);

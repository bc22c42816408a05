import type { GaugeRole, Purpose } from '../step';
import { fields, plainShape } from '../step-shape';

export const tableShape = plainShape(
  'table',
  fields<{
    readonly role: GaugeRole;
    readonly purpose: Purpose;
    /** Least number of readings. */
    readonly rows: number;
  }>(),
);

import { fields, plainShape } from '../step-shape';

export const checkShape = plainShape(
  'check',
  fields<{
    /** What it means when it is not so; the valve then goes out of service. */
    readonly fails?: string;
  }>(),
);

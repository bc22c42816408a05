import type { Question } from '../ask/shape';
import { fields, plainShape } from '../step-shape';

export const clockShape = plainShape(
  'clock',
  fields<{
    /** Seconds that must run, by the name of what gives them. */
    readonly clock: 'late_spark';
    /** What is asked when they have. */
    readonly asks: Question;
  }>(),
);

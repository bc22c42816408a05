import { z } from 'zod';
import { stepEventSchema } from '../event';
import { fields, stepShape } from '../step-shape';

/** Counts of the position at both ends, and s from one to the other. */
export type Stroke = {
  readonly closed: number;
  readonly open: number;
  readonly seconds: number;
};
export type StrokeRecord = { readonly kind: 'stroke'; readonly stroke: Stroke | undefined };

export const strokeShape = stepShape({
  kind: 'stroke',
  fields: fields<object>(),
  empty: { kind: 'stroke', stroke: undefined } as StrokeRecord,
  events: [
    stepEventSchema('stroked', {
      closed: z.number().min(-65_535).max(65_535),
      open: z.number().min(-65_535).max(65_535),
      seconds: z.number().positive().max(3600),
      source: z.enum(['typed', 'linked']),
    }),
  ],
});

import { z } from 'zod';
import type { CalPoint } from '../../prove';
import { enteredSchema, finiteSchema, stepEventSchema } from '../event';
import { fields, stepShape } from '../step-shape';

/** A calibration point as taken; `output` in SI, `share` of its span in the sense of the action. */
export type TakenPoint = Omit<CalPoint, 'output'> & {
  readonly eventId: string;
  readonly output: number;
  readonly share: number;
  readonly source: 'typed' | 'linked';
};
export type PointsRecord = { readonly kind: 'points'; readonly points: readonly TakenPoint[] };

export const pointsShape = stepShape({
  kind: 'points',
  fields: fields<{ readonly purpose: 'as_found' | 'as_left' }>(),
  empty: { kind: 'points', points: [] } as PointsRecord,
  events: [
    stepEventSchema('cal_point', {
      /** Nominal input, fraction of its span. */
      at: z.number().min(-0.5).max(1.5),
      direction: z.enum(['up', 'down']),
      pass: z.number().int().min(1).max(99),
      /** SI, in the kind of the plate's output. */
      output: finiteSchema,
      entered: enteredSchema,
      source: z.enum(['typed', 'linked']),
    }),
  ],
});
export type CalPointEvent = z.infer<(typeof pointsShape.events)[0]>;

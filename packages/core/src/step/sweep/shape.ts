import { z } from 'zod';
import { roleSchema, stepEventSchema } from '../event';
import { readingSchema } from '../reading';
import { fields, stepShape } from '../step-shape';

/** Output at one band of a sweep, Pa. */
export type SweptBand = {
  readonly eventId: string;
  readonly gain: number;
  readonly output: number;
  readonly atMs: number;
};
export type SweepRecord = { readonly kind: 'sweep'; readonly bands: readonly SweptBand[] };

export const sweepShape = stepShape({
  kind: 'sweep',
  fields: fields<{ readonly adjuster: string }>(),
  empty: { kind: 'sweep', bands: [] } as SweepRecord,
  events: [
    stepEventSchema('swept', {
      /** Gain of the band, negative on the reverse side. */
      gain: z.number().min(-100).max(100),
      role: roleSchema,
      reading: readingSchema,
    }),
  ],
});

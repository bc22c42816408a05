import { z } from 'zod';
import type { Light } from '../../coach';
import { roleSchema, stepEventSchema } from '../event';
import { readingSchema } from '../reading';
import type { GaugeRole } from '../step';
import { fields, stepShape } from '../step-shape';

/** A try to light, in the order they were made; `purged` once the purge after a failed one has run. */
export type TriedLight = Light & { readonly eventId: string; readonly purged: boolean };
export type EdgesRecord = { readonly kind: 'edges'; readonly lights: readonly TriedLight[] };

export const edgesShape = stepShape({
  kind: 'edges',
  fields: fields<{ readonly adjuster: string; readonly role: GaugeRole }>(),
  empty: { kind: 'edges', lights: [] } as EdgesRecord,
  events: [
    stepEventSchema('light_tried', {
      role: roleSchema,
      reading: readingSchema,
      lit: z.boolean(),
      /** Lit, but the flame signal was below what is asked. */
      weak: z.boolean().optional(),
    }),
  ],
});
export type LightEvent = z.infer<(typeof edgesShape.events)[0]>;

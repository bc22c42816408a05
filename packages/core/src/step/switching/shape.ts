import { z } from 'zod';
import { roleSchema, stepEventSchema } from '../event';
import { readingSchema } from '../reading';
import type { GaugeRole } from '../step';
import { fields, stepShape } from '../step-shape';

/** Where a switch was seen to make or to break, Pa. */
export type SwitchMark = {
  readonly eventId: string;
  readonly edge: 'cut_in' | 'cut_out';
  readonly cycle: number;
  readonly pressure: number;
  readonly atMs: number;
};
export type SwitchingRecord = { readonly kind: 'switching'; readonly marks: readonly SwitchMark[] };

export const switchingShape = stepShape({
  kind: 'switching',
  fields: fields<{
    readonly adjuster?: string;
    readonly role: GaugeRole;
    readonly purpose: 'as_found' | 'setting' | 'as_left';
    readonly count?: number | 'proving_cycles';
  }>(),
  empty: { kind: 'switching', marks: [] } as SwitchingRecord,
  events: [
    stepEventSchema('switched', {
      role: roleSchema,
      edge: z.enum(['cut_in', 'cut_out']),
      cycle: z.number().int().min(1).max(99),
      reading: readingSchema,
    }),
  ],
});

import { z } from 'zod';
import { digestSchema } from '../../digest';
import type { Positions } from '../../plant';
import { finiteSchema, idSchema, roleSchema, stepEventSchema } from '../event';
import type { LoggerFile } from '../logger-file';
import { readingSchema } from '../reading';
import type { GaugeRole } from '../step';
import { fields, stepShape } from '../step-shape';
import { markNames, type CaptureMark } from './marks';

export type CaptureRecord = {
  readonly kind: 'capture';
  readonly marks: readonly CaptureMark[];
  /** A log that was dropped in, as its chart shows it: s and Pa. */
  readonly log: readonly (readonly [number, number])[];
  /** Files that marks were taken from; absent where all were made by hand, or before files were kept by digest. */
  readonly files?: readonly LoggerFile[];
};

export const captureShape = stepShape({
  kind: 'capture',
  fields: fields<{
    readonly adjuster: string;
    readonly role: GaugeRole;
    /** Part of the setting where it is not said: then it proves, and asks for a turn. */
    readonly purpose?: 'as_found' | 'as_left';
    /** How often; the house's number of proving cycles where it is not said. */
    readonly count?: number;
    /** What one cycle does, up and down again. */
    readonly ramp: { readonly up: Positions; readonly down: Positions };
  }>(),
  empty: { kind: 'capture', marks: [], log: [] } as CaptureRecord,
  events: [
    stepEventSchema('marked', {
      role: roleSchema,
      mark: z.enum(markNames),
      cycle: z.number().int().min(1).max(99),
      reading: readingSchema,
      /** The mark that this one moves. */
      replaces: idSchema.optional(),
    }),
    stepEventSchema('log_taken', {
      name: z.string().max(200),
      /** Of the file, as it was read; absent in entries of before. */
      sha256: digestSchema.optional(),
      /** Thinned to what a chart can show: s and Pa. */
      samples: z.array(z.tuple([z.number(), finiteSchema])).max(1000),
      cycles: z
        .array(
          z.object({
            cracked: finiteSchema.optional(),
            full_flow: finiteSchema.optional(),
            reseated: finiteSchema.optional(),
            sure: z.number().min(0).max(1),
          }),
        )
        .min(1)
        .max(50),
    }),
  ],
});

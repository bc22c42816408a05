import { z } from 'zod';
import type { StepSample } from '../../tune';
import { finiteSchema, stepEventSchema } from '../event';
import { loggerFileSchema, type LoggerFile } from '../logger-file';
import { fields, stepShape } from '../step-shape';

/** The step test taken last, as it was recorded. */
export type TuneRecord = {
  readonly kind: 'tune';
  readonly samples: readonly StepSample[];
  /** The file that it was taken from, where it was. */
  readonly file?: LoggerFile;
};

export const tuneShape = stepShape({
  kind: 'tune',
  fields: fields<object>(),
  empty: { kind: 'tune', samples: [] } as TuneRecord,
  events: [
    stepEventSchema('step_tested', {
      /** s, output in %, process value in %. */
      samples: z
        .array(z.tuple([finiteSchema, finiteSchema, finiteSchema]))
        .min(1)
        .max(2000),
      source: z.enum(['typed', 'linked', 'file']),
      file: loggerFileSchema.optional(),
    }),
  ],
});

import { z } from 'zod';
import { stepEventSchema } from '../event';
import { fields, stepShape } from '../step-shape';

/** s of a swing, half of its height as a share of the range (0 where it does not tell), and what was proposed. */
export type SelfTuning = {
  readonly period_s: number;
  readonly amplitude: number;
  readonly gain: number;
  readonly integral_s: number;
};
export type SelfTuneRecord = {
  readonly kind: 'self_tune';
  readonly tuning: SelfTuning | undefined;
};

export const selfTuneShape = stepShape({
  kind: 'self_tune',
  fields: fields<object>(),
  empty: { kind: 'self_tune', tuning: undefined } as SelfTuneRecord,
  events: [
    stepEventSchema('self_tuned', {
      period_s: z.number().nonnegative().max(1e5),
      amplitude: z.number().nonnegative().max(1),
      gain: z.number().positive().max(1000),
      integral_s: z.number().positive().max(1e5),
      source: z.enum(['typed', 'linked']),
    }),
  ],
});

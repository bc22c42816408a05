import { z } from 'zod';
import { registerKeys, type RegisterKey } from '../../device';
import { finiteSchema, stepEventSchema } from '../event';
import { fields, stepShape } from '../step-shape';

/** A register as it was left by a step, in its unit. */
export type HeldRegister = {
  readonly value: number;
  readonly source: 'typed' | 'linked';
  readonly atMs: number;
};
export type RegistersRecord = {
  readonly kind: 'registers';
  readonly held: Readonly<Partial<Record<RegisterKey, HeldRegister>>>;
};

export const registersShape = stepShape({
  kind: 'registers',
  fields: fields<{
    /** What is written, in this order. */
    readonly registers: readonly RegisterKey[];
  }>(),
  empty: { kind: 'registers', held: {} } as RegistersRecord,
  events: [
    stepEventSchema('register_set', {
      register: z.enum(registerKeys),
      /** In the register's unit, as it was read back from the unit. */
      value: finiteSchema,
      source: z.enum(['typed', 'linked']),
    }),
  ],
});

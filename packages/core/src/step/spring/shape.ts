import { z } from 'zod';
import { idSchema, stepEventSchema } from '../event';
import { fields, stepShape } from '../step-shape';

export const springShape = stepShape({
  kind: 'spring',
  fields: fields<{ readonly adjuster: string }>(),
  empty: { kind: 'spring' },
  events: [
    stepEventSchema('spring_changed', { adjuster: idSchema, colour: z.string().min(1).max(40) }),
  ],
});

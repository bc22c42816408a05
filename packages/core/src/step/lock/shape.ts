import { idSchema, stepEventSchema } from '../event';
import { fields, stepShape } from '../step-shape';

export const lockShape = stepShape({
  kind: 'lock',
  fields: fields<{ readonly adjuster: string }>(),
  empty: { kind: 'lock' },
  events: [stepEventSchema('locked', { adjuster: idSchema })],
});

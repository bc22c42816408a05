import type { Positions } from '../../plant';
import { stepEventSchema } from '../event';
import { fields, stepShape } from '../step-shape';

export type CycleRecord = { readonly kind: 'cycle'; readonly count: number };

export const cycleShape = stepShape({
  kind: 'cycle',
  fields: fields<{
    /** How often; a number, or the name of a house rule. */
    readonly count: number | 'bleed_cycles' | 'proving_cycles';
    /** What one cycle moves, in order. */
    readonly cycle: readonly Positions[];
  }>(),
  empty: { kind: 'cycle', count: 0 } as CycleRecord,
  events: [stepEventSchema('cycled', {})],
});

import type { TakenPoint } from '../points/shape';
import { fields, stepShape } from '../step-shape';

export type LinkageRecord = { readonly kind: 'linkage'; readonly points: readonly TakenPoint[] };

/** Its points are those of a table. */
export const linkageShape = stepShape({
  kind: 'linkage',
  fields: fields<{
    /** Judged by where the output begins and ends, instead of by its travel. */
    readonly measure?: 'ends';
    /** Both ends are driven onto stops: in a table nothing counts beyond them. */
    readonly stops?: true;
  }>(),
  empty: { kind: 'linkage', points: [] } as LinkageRecord,
  events: [],
});

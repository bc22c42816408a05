import type { Measure } from '../quantity';
import type { Side } from './plate';

export type Approach = 'from_below' | 'from_above';

/** An adjuster of a family as the coach and the screens know it. */
export type AdjusterSpec = {
  readonly id: string;
  readonly name: string;
  readonly approach: Approach;
  readonly role: Side;
  /** What flows, where figures of the trade depend on it; water where it is not said. */
  readonly fluid?: 'gas';
  /** What its gauge shows; pressure where it is not said. */
  readonly measures?: Measure;
};

/** The leading adjuster, which stands on the plate itself. */
export const mainAdjuster = (name: string, approach: Approach, role: Side): AdjusterSpec => ({
  id: 'main',
  name,
  approach,
  role,
});

/** A further adjuster, by the id under which the plate has it. */
export const furtherAdjuster = (
  id: string,
  name: string,
  role: Side,
  approach: Approach = 'from_below',
): AdjusterSpec => ({ id, name, approach, role });

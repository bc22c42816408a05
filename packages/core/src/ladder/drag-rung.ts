import { err, ok, type Result } from '../result';
import { solveLadder, type Ladder, type LadderError } from './solve-ladder';
import type { System } from './system';

export type Dragged = {
  readonly ladder: Ladder;
  /** Rungs that had to give way, and by how much (Pa). */
  readonly gaveWay: readonly { readonly rung: string; readonly by: number }[];
};
export const DRAG_RULE = 'dragged';

/**
 * What gives way when one rung is held at a pressure of the user's choosing.
 *
 * @errors as solveLadder; in a clash the rule with id `dragged` is the hand's own
 */
export function dragRung(
  system: Pick<System, 'rungs' | 'rules'>,
  rung: string,
  pa: number,
): Result<Dragged, LadderError> {
  const before = solveLadder(system);
  if (!before.ok) return err(before.error);
  const held = {
    id: DRAG_RULE,
    kind: 'fixed',
    rung,
    pa,
    why: 'Held here by hand',
    from: 'own',
  } as const;
  const after = solveLadder({ ...system, rules: [...system.rules, held] });
  if (!after.ok) return err(after.error);
  const gaveWay = after.value.targets.flatMap((target, i) => {
    const by = target.pa - before.value.targets[i]!.pa;
    return target.rung !== rung && Math.abs(by) > 0.5 ? [{ rung: target.rung, by }] : [];
  });
  return ok({ ladder: after.value, gaveWay });
}

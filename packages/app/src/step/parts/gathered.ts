import type { HouseRules, Step, ValveVisit } from '@holvek/core';

/** Kinds that are only read and confirmed. */
const plain: ReadonlySet<Step['kind']> = new Set(['caution', 'check']);

/**
 * Whether a hand has set enough of a family to see the cautions and checks of a phase together.
 *
 * @param visits  records of all valves; practice is none
 */
export function isPractised(
  visits: readonly ValveVisit[],
  { hand, family }: { readonly hand: string; readonly family: string },
  { practised_after: after = 0 }: Pick<HouseRules, 'practised_after'>,
): boolean {
  if (after === 0 || hand === '') return false;
  const own = visits.filter(
    ({ body }) => body.technician === hand && body.plate.family === family && !body.rehearsal,
  );
  return own.length >= after;
}

/** What follows the step in hand without a hand's work between: the cautions and checks of its phase, one after another. */
export function gatheredAfter(step: Step | undefined, ahead: readonly Step[]): readonly Step[] {
  if (!step || !plain.has(step.kind)) return [];
  const end = ahead.findIndex((next) => !plain.has(next.kind) || next.phase !== step.phase);
  return end < 0 ? ahead : ahead.slice(0, end);
}

import type { Phase, Step } from '../../step';

/** One change of a procedure: what was learned since it was written down. */
export type Amendment =
  | { readonly add: readonly Step[]; readonly after: string }
  | { readonly drop: readonly string[] }
  /** Steps in their new order, from where the one named stands on; their phase too, where it changes. */
  | { readonly move: readonly string[]; readonly after: string; readonly phase?: Phase }
  | { readonly change: string; readonly to: Partial<Step> };

/**
 * The steps of a procedure as they are walked from its next version on. Versions that stored runs were
 * walked by stay as they were; what is said here is only what differs.
 *
 * @throws where a step is named that is not there: a bug in the amendments
 */
export const amend = (steps: readonly Step[], amendments: readonly Amendment[]): readonly Step[] =>
  amendments.reduce(applied, steps);

function applied(steps: readonly Step[], amendment: Amendment): readonly Step[] {
  if ('drop' in amendment) {
    amendment.drop.forEach((id) => placeOf(steps, id));
    return steps.filter(({ id }) => !amendment.drop.includes(id));
  }
  if ('change' in amendment) {
    const at = placeOf(steps, amendment.change);
    return steps.with(at, { ...steps[at]!, ...amendment.to } as Step);
  }
  if ('add' in amendment) {
    const at = placeOf(steps, amendment.after) + 1;
    return [...steps.slice(0, at), ...amendment.add, ...steps.slice(at)];
  }
  const { move, after, phase } = amendment;
  const moved = move.map((id) => {
    const step = steps[placeOf(steps, id)]!;
    return phase === undefined ? step : { ...step, phase };
  });
  const rest = steps.filter(({ id }) => !move.includes(id));
  const at = placeOf(rest, after) + 1;
  return [...rest.slice(0, at), ...moved, ...rest.slice(at)];
}

function placeOf(steps: readonly Step[], id: string): number {
  const at = steps.findIndex((step) => step.id === id);
  if (at < 0) throw new Error(`no step ${id} to amend`);
  return at;
}

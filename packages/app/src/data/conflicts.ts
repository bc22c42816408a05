import { useSyncExternalStore } from 'react';

/** A change that was not made, because the server has the document otherwise by now. */
export type Conflict = {
  /** What it is, in the words of the register: "valves", "gauges" … */
  readonly kind: string;
  readonly mine: unknown;
  readonly theirs: unknown;
  /** Makes the change after all, over the version that is there now. */
  readonly putMine: () => Promise<unknown>;
};

let current: Conflict | undefined;
let settled = 0;
const listeners = new Set<() => void>();

/** Shows a conflict, or that it is settled. */
export function showConflict(conflict: Conflict | undefined): void {
  if (current && !conflict) settled++;
  current = conflict;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
export const useConflict = (): Conflict | undefined =>
  useSyncExternalStore(subscribe, () => current);

/** How many were settled: what was begun over an older version is begun anew. */
export const useConflictsSettled = (): number => useSyncExternalStore(subscribe, () => settled);

export type Difference = {
  /** Where in the document, outermost first. */
  readonly path: readonly string[];
  readonly theirs: unknown;
  readonly mine: unknown;
};

const isNode = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

/** Every figure or word in which two versions of a document differ. */
export function differencesOf(
  theirs: unknown,
  mine: unknown,
  path: readonly string[] = [],
): readonly Difference[] {
  if (!isNode(theirs) || !isNode(mine))
    return Object.is(theirs, mine) ? [] : [{ path, theirs, mine }];
  const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
  return [...keys].flatMap((key) => differencesOf(theirs[key], mine[key], [...path, key]));
}

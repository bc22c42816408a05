import { canonicalJson } from '../digest';
import { err, ok, type Result } from '../result';
import type { AnyPlate } from '../valve';
import { definitionOf, type Family, type Plate } from './list';

/** One thing that a plate says, by where it stands on it; null where it says nothing. */
export type PlateEntry<Value = unknown> = { readonly path: string; readonly value: Value };

type Branch = Readonly<Record<string, unknown>>;
const isBranch = (value: unknown): value is Branch =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Where a part of a plate is told as a whole: a signal is a range of one kind, not three figures. */
const isWhole = (value: unknown): boolean =>
  !isBranch(value) || ('kind' in value && 'low' in value && 'high' in value);

/** What the one plate says otherwise than the other, in the order of its keys; lists are told as a whole. */
export function plateDifference(before: AnyPlate, after: AnyPlate): readonly PlateEntry[] {
  return [...differing(before, after, '')];
}

function* differing(before: Branch, after: Branch, at: string): Generator<PlateEntry> {
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [was = null, is = null] = [before[key], after[key]];
    if (canonicalJson(was) === canonicalJson(is)) continue;
    const path = at + key;
    if (isWhole(was) || isWhole(is)) yield { path, value: is };
    else yield* differing(was as Branch, is as Branch, `${path}.`);
  }
}

/** What stands on a plate at a path; null where it says nothing. */
export const onPlate = (plate: Branch, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (at, key) => (isBranch(at) && Object.hasOwn(at, key) ? at[key] : undefined),
      plate,
    ) ?? null;

/**
 * A plate with some of its facts told otherwise. Its kind stays what it is.
 *
 * @errors valve.not_a_plate where what it comes to is none of its family, with the schema's own words
 */
export function plateWith(
  plate: AnyPlate,
  facts: readonly PlateEntry[],
): Result<Plate, { readonly code: 'valve.not_a_plate'; readonly say: string }> {
  const told = facts.reduce<Branch>(
    (all, { path, value }) => put(all, path.split('.'), value),
    plate,
  );
  const parsed = definitionOf(plate.family as Family).plateSchema.safeParse(told);
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!;
    return err({ code: 'valve.not_a_plate', say: `${path.join('.')}: ${message}` });
  }
  const known = parsed.data as Plate;
  const unknown = facts.find(
    ({ path }) => canonicalJson(onPlate(known, path)) !== canonicalJson(onPlate(told, path)),
  );
  return unknown
    ? err({ code: 'valve.not_a_plate', say: `${unknown.path}: not on such a plate` })
    : ok(known);
}

function put(branch: Branch, [key = '', ...rest]: readonly string[], value: unknown): Branch {
  const { [key]: own, ...others } = branch;
  if (rest.length > 0) return { ...branch, [key]: put(isBranch(own) ? own : {}, rest, value) };
  return value === null ? others : { ...branch, [key]: value };
}

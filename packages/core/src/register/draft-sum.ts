import { families, sumFacts, targetPath, workedOut, type Family, type WorkedOut } from '../family';
import { err, ok, type Result } from '../result';
import {
  targetSumSchema,
  type AnyPlate,
  type LockupRules,
  type PlateFact,
  type TargetSum,
} from '../valve';
import { factText, readFact, type FactError, type Writing } from './fact-text';
import type { ValveDraft } from './valve-draft';

export type SumField = keyof TargetSum;
/** The parts of a sum as they are typed; what is empty is not there. */
export type SumTexts = Readonly<Record<SumField, string>>;
export type SumTrouble = {
  readonly field: SumField;
  readonly error: FactError | { readonly code: 'register.out_of_range'; readonly say: string };
};

/** The parts of a sum, in the order in which they are asked for, each with its field. */
export const sumFields: readonly (readonly [SumField, PlateFact])[] = sumFacts('sum').map(
  (fact) => [fact.path.slice('sum.'.length) as SumField, fact],
);

/** A sum as it would be typed. */
export const textsOfSum = (sum: TargetSum | undefined, writing: Writing): SumTexts =>
  Object.fromEntries(
    sumFields.map(([field, fact]) => [field, factText(fact, sum?.[field], writing)]),
  ) as SumTexts;

/**
 * The sum that texts say.
 *
 * @returns undefined where nothing is typed
 * @errors  every part that cannot be read, and a need that is missing beside other parts
 */
export function readSum(
  texts: SumTexts,
  writing: Writing,
): Result<TargetSum | undefined, readonly SumTrouble[]> {
  if (sumFields.every(([field]) => texts[field].trim() === '')) return ok(undefined);
  const troubles: SumTrouble[] = [];
  const parts: [SumField, unknown][] = [];
  for (const [field, fact] of sumFields) {
    const read = readFact(fact, texts[field], writing);
    if (!read.ok) troubles.push({ field, error: read.error });
    else if (read.value !== undefined) parts.push([field, read.value]);
  }
  if (texts.need_pa.trim() === '')
    troubles.push({ field: 'need_pa', error: { code: 'register.missing' } });
  if (troubles.length > 0) return err(troubles);
  const sum = targetSumSchema.safeParse(Object.fromEntries(parts));
  return sum.success
    ? ok(sum.data)
    : err(
        sum.error.issues.map(({ path: [field], message: say }) => ({
          field: field as SumField,
          error: { code: 'register.out_of_range', say },
        })),
      );
}

/** What the sum of a draft’s target comes to while it is still being written; undefined until it can be. */
export function draftSum(
  { shape, texts }: ValveDraft,
  adjuster: string,
  writing: Writing,
): WorkedOut | undefined {
  const at = `${targetPath(adjuster)}.sum.`;
  const typed = Object.fromEntries(
    sumFields.map(([field]) => [field, texts[`${at}${field}`] ?? '']),
  ) as SumTexts;
  const sum = readSum(typed, writing);
  return sum.ok && sum.value
    ? workedOutFor({ family: shape.family } as AnyPlate, adjuster, sum.value, writing.rules)
    : undefined;
}

/** What a sum comes to on a valve, whatever its target says yet; undefined where none may be made. */
export function workedOutFor(
  plate: AnyPlate,
  adjuster: string,
  sum: TargetSum,
  rules?: LockupRules,
): WorkedOut | undefined {
  const spec = families[plate.family as Family].adjusters.find(({ id }) => id === adjuster);
  const target = { set_point_pa: 0, tolerance_pa: 1, limit_pa: 0, why: '', sum };
  return spec && workedOut(plate, target, spec, rules);
}

import { families, workedOut, type WorkedOut } from '../family';
import { targetSumSchema, type AnyPlate } from '../valve';
import { readFact, type Writing } from './fact-text';
import type { ValveDraft } from './valve-draft';
import { factGroups, targetPath } from '../family';

/** What the sum of a draft’s target comes to while it is still being written; undefined until it can be. */
export function draftSum(
  { shape, texts }: ValveDraft,
  adjuster: string,
  writing: Writing,
): WorkedOut | undefined {
  const at = `${targetPath(adjuster)}.sum.`;
  const facts = factGroups(shape)
    .flatMap((group) => group.facts)
    .filter(({ path }) => path.startsWith(at));
  const read = facts.map((fact) => {
    const value = readFact(fact, texts[fact.path] ?? '', writing);
    return [fact.path.slice(at.length), value.ok ? value.value : undefined] as const;
  });
  const sum = targetSumSchema.safeParse(
    Object.fromEntries(read.filter(([, value]) => value !== undefined)),
  );
  const spec = families[shape.family].adjusters.find(({ id }) => id === adjuster);
  if (!sum.success || !spec) return undefined;
  const target = { set_point_pa: 0, tolerance_pa: 1, limit_pa: 0, why: '', sum: sum.data };
  return workedOut({ family: shape.family } as AnyPlate, target, spec);
}

import { z } from 'zod';
import { MAIN, pressureSchema } from './plate';
import { targetSumSchema } from './target-sum';

const text = z.string().max(400);

/**
 * What an adjuster must hold, and why. Of an instrument: the pressure that it works at, a positioner’s
 * air supply or the middle of an indicator’s scale; its errors are judged by `tolerance_span`.
 */
export const targetSchema = z.object({
  set_point_pa: pressureSchema,
  tolerance_pa: z.number().positive().max(1e8),
  /** Never to be passed on the way: the weakest part on that side, or the site's own figure. */
  limit_pa: pressureSchema,
  why: text.min(1),
  /** What it was worked out from, where it was. */
  sum: targetSumSchema.optional(),
});
export type Target = z.infer<typeof targetSchema>;
/** Targets of further adjusters by their id. */
export const otherTargetsSchema = z.record(z.string().min(1).max(40), targetSchema);

/** What the leading adjuster must hold, and what the further ones must. */
export type Targets = {
  readonly target: Target;
  readonly other_targets?: Readonly<Record<string, Target>> | undefined;
};

/** The target of an adjuster; undefined where none has been given. */
export const targetOf = (
  { target, other_targets: others }: Targets,
  adjuster: string,
): Target | undefined => (adjuster === MAIN ? target : others?.[adjuster]);

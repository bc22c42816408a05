import type { z } from 'zod';

/**
 * What a kind of step is, as data: its name, its own fields beside those of every step, the entries
 * that it alone makes, and what is kept of them. What it does with them stands in its `index.ts`.
 */
export type StepShape<
  K extends string,
  F extends object,
  R extends { readonly kind: K },
  E extends readonly z.ZodType[],
> = {
  readonly kind: K;
  /** Only a type: nothing stands here at run time. */
  readonly fields: F;
  readonly empty: R;
  readonly events: E;
};

/** The type of a kind's own fields, for `stepShape`. */
export const fields = <F extends object>(): F => ({}) as F;

export const stepShape = <
  const K extends string,
  F extends object,
  R extends { readonly kind: K },
  const E extends readonly z.ZodType[],
>(
  shape: StepShape<K, F, R, E>,
): StepShape<K, F, R, E> => shape;

/** A kind that asks for nothing of its own and keeps nothing. */
export const plainShape = <const K extends string, F extends object = object>(
  kind: K,
  own: F = fields<F>(),
): StepShape<K, F, { readonly kind: K }, readonly []> => ({
  kind,
  fields: own,
  empty: { kind },
  events: [],
});

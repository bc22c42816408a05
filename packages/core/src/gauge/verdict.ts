export const verdicts = ['pass', 'pass_without_margin', 'fail_without_margin', 'fail'] as const;
export type Verdict = (typeof verdicts)[number];

/**
 * Guarded verdict on an unrounded value.
 *
 *       fail │ fail w/o margin ┃ pass w/o margin │ pass │ pass w/o margin ┃ …
 *                            lower                                       upper
 *
 * @param value  Pa
 * @param lane   lower and upper limit, Pa
 * @param guard  expanded uncertainty, Pa, ≥ 0: the width of the two margins at each limit
 */
export function guardedVerdict(
  value: number,
  lane: { readonly lower: number; readonly upper: number },
  guard: number,
): Verdict {
  const inside = Math.min(value - lane.lower, lane.upper - value);
  if (inside >= guard) return 'pass';
  if (inside >= 0) return 'pass_without_margin';
  return inside > -guard ? 'fail_without_margin' : 'fail';
}

/**
 * Akaike's criterion for small samples, from a least-squares fit.
 *
 *     AICc = n·ln(rss/n) + 2k + 2k(k+1)/(n−k−1)
 *
 * @param parameters  fitted parameters and the noise, k; n must exceed k + 1
 * @param floor       variance below which a fit cannot be better (resolution²/12)
 * @returns the criterion; smaller is better; Infinity where n is too small
 */
export function akaike(rss: number, count: number, parameters: number, floor = 1e-300): number {
  if (count <= parameters + 1) return Number.POSITIVE_INFINITY;
  const variance = Math.max(rss / count, floor);
  return (
    count * Math.log(variance) +
    2 * parameters +
    (2 * parameters * (parameters + 1)) / (count - parameters - 1)
  );
}

/** How sure one of two models is against the other: its Akaike weight, 0 … 1. */
export const akaikeWeight = (own: number, other: number): number =>
  Number.isFinite(own - other) ? 1 / (1 + Math.exp((own - other) / 2)) : own < other ? 1 : 0;

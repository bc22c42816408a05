/**
 * Standard normal distribution: probability of a value at or below z.
 *
 * @returns 0 … 1, absolute error < 7.5·10⁻⁸
 * @source  Abramowitz & Stegun 26.2.17
 * @example normalCdf(1.96) // → 0.975
 */
export function normalCdf(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    0.3989422804014327 *
    Math.exp((-z * z) / 2) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}

/** Density of a normal at `x`. */
export const normalDensity = (x: number, mean: number, variance: number): number =>
  Math.exp(-((x - mean) ** 2) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance);

/**
 * The value at or below which a standard normal lies with a probability: the inverse of normalCdf.
 *
 * @param share  0 … 1; beyond 1e-12 of either end, the value there
 * @returns      −7 … 7
 * @example normalQuantile(0.975) // → 1.96
 */
export function normalQuantile(share: number): number {
  let [low, high] = [-7, 7];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (normalCdf(middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

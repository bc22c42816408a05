import { err, ok, type Result } from '../result';

export type LeastSquaresFit = {
  readonly coefficients: readonly number[];
  /** Sum of squared residuals. */
  readonly rss: number;
  readonly count: number;
};
export type LeastSquaresError = { readonly code: 'numerics.singular' | 'numerics.too_few_points' };

/**
 * Linear least squares by modified Gram–Schmidt with a pivot check.
 *
 * @param columns  one array of n values for each coefficient, k columns, n ≥ k
 * @param y        n observed values
 * @errors  numerics.too_few_points · numerics.singular
 * @example leastSquares([[1, 1, 1], [0, 1, 2]], [1, 3, 5]) // → ok({ coefficients: [1, 2] })
 */
export function leastSquares(
  columns: readonly (readonly number[])[],
  y: readonly number[],
): Result<LeastSquaresFit, LeastSquaresError> {
  const n = y.length;
  const k = columns.length;
  if (n < k || k === 0) return err({ code: 'numerics.too_few_points' });
  const q = columns.map((column) => column.slice());
  const r = q.map(() => new Array<number>(k).fill(0));
  const residual = y.slice();
  const projections: number[] = [];
  for (let j = 0; j < k; j++) {
    const qj = q[j]!;
    const before = norm(columns[j]!);
    for (let i = 0; i < j; i++) {
      const qi = q[i]!;
      const factor = dot(qi, qj);
      r[i]![j] = factor;
      for (let row = 0; row < n; row++) qj[row]! -= factor * qi[row]!;
    }
    const length = norm(qj);
    if (!(length > 1e-10 * before)) return err({ code: 'numerics.singular' });
    r[j]![j] = length;
    for (let row = 0; row < n; row++) qj[row]! /= length;
    const projection = dot(qj, residual);
    projections.push(projection);
    for (let row = 0; row < n; row++) residual[row]! -= projection * qj[row]!;
  }
  const coefficients = new Array<number>(k).fill(0);
  for (let j = k - 1; j >= 0; j--) {
    let value = projections[j]!;
    for (let i = j + 1; i < k; i++) value -= r[j]![i]! * coefficients[i]!;
    coefficients[j] = value / r[j]![j]!;
  }
  return ok({ coefficients, rss: dot(residual, residual), count: n });
}

const dot = (a: readonly number[], b: readonly number[]) => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
};
const norm = (a: readonly number[]) => Math.sqrt(dot(a, a));

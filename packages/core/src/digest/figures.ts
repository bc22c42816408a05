/** More than any gauge shows, and fewer than two engines differ in. */
const DIGITS = 9;

/**
 * A value with every figure in it cut to nine significant digits; whole numbers (times, counts) stay.
 * Two devices whose engines differ in the last bit of a logarithm come to the same bytes by it.
 */
export function withPlainFigures<T>(value: T): T {
  return plain(value) as T;
}

function plain(value: unknown): unknown {
  if (typeof value === 'number')
    return Number.isInteger(value) ? value : Number(value.toPrecision(DIGITS));
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, plain(each)]));
  return value;
}

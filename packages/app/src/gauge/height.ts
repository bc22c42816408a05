import { parseQuantity } from '@holvek/core';

/** m. */
const FARTHEST = 100;

/** A height as it is typed, in m: "1.2", "4 ft", "5' 6\""; undefined where none can be read, or none is so high. */
export function heightOf(text: string): number | undefined {
  const parsed = parseQuantity(text.trim() === '' ? '0' : text, 'length', 'm');
  if (!parsed.ok || Math.abs(parsed.value.si) > FARTHEST) return undefined;
  return Number(parsed.value.si.toPrecision(12));
}

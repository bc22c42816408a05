import { z } from 'zod';

/** What every short name of a service stands in. */
const SHORT_IN = '-0000-1000-8000-00805f9b34fb';

/**
 * The whole name of a service or of a characteristic, as radios know it: 128 bits in lower case.
 *
 * @param text  32 digits in five groups, or a short name of 4 or 8 digits
 * @returns undefined where it is neither
 * @example radioName('FFE0') // → '0000ffe0-0000-1000-8000-00805f9b34fb'
 */
export function radioName(text: string): string | undefined {
  const typed = text.trim().toLowerCase();
  if (/^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/u.test(typed)) return typed;
  return /^(?:[0-9a-f]{4}|[0-9a-f]{8})$/u.test(typed)
    ? typed.padStart(8, '0') + SHORT_IN
    : undefined;
}

const named = z
  .string()
  .max(40)
  .refine((text) => radioName(text) === text, 'not the whole name of a service');

/**
 * A service over which gauges speak as over a cable: `hears` is the characteristic that tells what they say, `says` the one
 * that takes what they are asked, where they are.
 */
export const radioServiceSchema = z.object({
  service: named,
  hears: named,
  says: named.optional(),
});
export type RadioService = z.infer<typeof radioServiceSchema>;

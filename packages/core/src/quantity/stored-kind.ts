import type { z } from 'zod';

/** A number that is stored and sent as it is, and is of a kind once it has been read. */
export const storedAs = <T extends number>(schema: z.ZodNumber): z.ZodType<T, T> =>
  // The kind is a word to the compiler alone: at run time there is only the number.
  schema as unknown as z.ZodType<T, T>;

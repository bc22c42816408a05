import { z } from 'zod';
import { digestSchema } from '../digest';

/** No control characters, and no name that a plain object has by itself. */
export const idSchema = z
  .string()
  .min(1)
  .max(64)
  .regex(/^\P{Cc}+$/u)
  .refine((id) => !(id in {}), 'a name of the language itself');
export const finiteSchema = z.number().min(-1e12).max(1e12);
export const roleSchema = z.enum(['inlet', 'outlet']);
export const reasonSchema = z.string().min(1).max(400);
export const enteredSchema = z.object({ text: z.string().max(60), unit: z.string().max(16) });

/** Entries of before have no links: the first that is linked names every one of them. */
const MOST_SEEN = 5000;

const base = z.object({
  /** Time-sortable, made on the device. */
  id: idSchema,
  run_id: idSchema,
  author: z.string().min(1).max(80),
  /** Device clock, ms since 1970; may have been set back, so order follows `lamport`. */
  at_ms: z.number().int().min(0).max(4e12),
  lamport: z.number().int().min(0).max(1e9),
  /** The phone, tablet or desk that made it; absent in entries of before, like the two that follow. */
  device: idSchema.optional(),
  /** Hashes of the entries of this run that nothing followed when it was made: all before is seen by them. */
  seen: z.array(digestSchema).max(MOST_SEEN).optional(),
  /** SHA-256 of the canonical entry without this field. */
  hash: digestSchema.optional(),
});

/** One kind of entry of a run: who, when and in which order stand on every one. */
export const eventSchema = <T extends string, S extends z.ZodRawShape>(type: T, shape: S) =>
  base.extend({ type: z.literal(type), ...shape });
/** An entry that belongs to a step. */
export const stepEventSchema = <T extends string, S extends z.ZodRawShape>(type: T, shape: S) =>
  base.extend({ type: z.literal(type), step_id: idSchema, ...shape });

import { z } from 'zod';
import { loggerFileSchema } from './logger-file';

const finite = z.number().min(-1e12).max(1e12);

/** A reading as evidence: what was typed or sent is kept beside its SI value. */
export const readingSchema = z.object({
  si: finite,
  entered: z.object({ text: z.string().max(60), unit: z.string().max(16) }),
  gauge_id: z.string().min(1).max(64),
  /** `file`: as a logger kept it, at the gauge's own tapping. */
  source: z.enum(['typed', 'linked', 'file']),
  /** The file that it was kept in; absent in entries of before. */
  file: loggerFileSchema.optional(),
  /** The person confirmed a value that looks wrong, such as one beyond the gauge's range. */
  confirmed: z.boolean().optional(),
});
export type Reading = z.infer<typeof readingSchema>;

/** One value of a record over time: seconds since it began, SI. */
export const watchedSchema = z.object({ t_s: z.number().min(0).max(1e6), si: finite });
export type Watched = z.infer<typeof watchedSchema>;

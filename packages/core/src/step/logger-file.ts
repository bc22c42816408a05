import { z } from 'zod';
import { digestSchema } from '../digest';

/** A logger's file that figures were taken from: its name, and the digest by which it is told from any other. */
export const loggerFileSchema = z.object({
  name: z.string().min(1).max(200),
  sha256: digestSchema,
});
export type LoggerFile = z.infer<typeof loggerFileSchema>;

import { z } from 'zod';
import { err, ok, type Result } from '../result';
import { publicKeySchema } from '../digest';
import { evidenceFileSchema, logLineSchema, type SheetEvidence } from '../evidence';
import { runEventSchema, type RunEvent } from '../run';
import { countersignSchema, sheetSchema, type Sheet } from '../sheet';
import { systemFileSchema } from './system-files';

export const runFileSchema = z.object({
  format: z.literal('holvek.run'),
  version: z.literal(1),
  events: z.array(runEventSchema),
});
export const sheetFileSchema = z.object({
  format: z.literal('holvek.sheet_file'),
  version: z.literal(1),
  sheet: sheetSchema,
  /** What it rests on, since there is a log: the run’s entries as they were sent, its line, the keys. */
  entries: z.array(z.unknown()).optional(),
  line: logLineSchema.optional(),
  keys: z.array(publicKeySchema).optional(),
  countersigns: z.array(countersignSchema).optional(),
});

/** A file that can be checked by itself. */
export const checkableFileSchema = z.discriminatedUnion('format', [
  evidenceFileSchema,
  sheetFileSchema,
]);

export const runFile = (events: readonly RunEvent[]): z.infer<typeof runFileSchema> => ({
  format: 'holvek.run',
  version: 1,
  events: [...events],
});
export const sheetFile = (
  sheet: Sheet,
  evidence: Omit<SheetEvidence, 'sheet'> = {},
): z.infer<typeof sheetFileSchema> => ({
  format: 'holvek.sheet_file',
  version: 1,
  sheet,
  ...(evidence.entries ? { entries: [...evidence.entries] } : {}),
  ...(evidence.line ? { line: evidence.line } : {}),
  ...(evidence.keys ? { keys: [...evidence.keys] } : {}),
  ...(evidence.countersigns ? { countersigns: [...evidence.countersigns] } : {}),
});

/** Name of a sheet's file: which valve, which day, which revision; practice says so. */
export function sheetFileName(
  { rehearsal, valve_tag: tag, signed_at_ms: atMs, revision }: Sheet['body'],
  ending: string,
): string {
  const kind = rehearsal ? 'PRACTICE-' : '';
  const name = tag.replace(/[^\w-]+/gu, '_');
  return `${kind}${name}-${new Date(atMs).toISOString().slice(0, 10)}-r${revision}.${ending}`;
}

export type FileError =
  { readonly code: 'file.not_json' } | { readonly code: 'file.not_ours'; readonly path: string };

/** A file's text as what its schema says. Errors: file.not_json · file.not_ours, with the first wrong place. */
export function readJsonFile<S extends z.ZodType>(
  text: string,
  schema: S,
): Result<z.infer<S>, FileError> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return err({ code: 'file.not_json' });
  }
  const parsed = schema.safeParse(value);
  return parsed.success
    ? ok(parsed.data)
    : err({ code: 'file.not_ours', path: parsed.error.issues[0]?.path.join('.') ?? '' });
}

/** The published JSON Schemas of the files that leave Holvek. */
export const publishedSchemas = {
  'run.v1.json': () => z.toJSONSchema(runFileSchema),
  'sheet.v1.json': () => z.toJSONSchema(sheetFileSchema),
  'evidence.v1.json': () => z.toJSONSchema(evidenceFileSchema),
  'system.v1.json': () => z.toJSONSchema(systemFileSchema),
} as const;

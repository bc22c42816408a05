import { z } from 'zod';
import { logLineSchema } from '../evidence';
import { runFileSchema } from './json-files';

/** Answers of the server that are not documents of their own. */
export const runRowSchema = z.object({
  id: z.string(),
  valve_id: z.string().nullable(),
  status: z.enum(['open', 'signing', 'signed', 'abandoned']),
  refusal: z.string().nullable(),
  last_at_ms: z.number(),
});
export type RunRow = z.infer<typeof runRowSchema>;

export const storedRunSchema = runFileSchema.extend({ run: runRowSchema });

export const ingestedSchema = z.object({
  /** Ids that are stored now, whether this batch brought them or an earlier one. */
  stored: z.array(z.string()),
  refused: z.array(z.object({ id: z.string(), code: z.string(), detail: z.unknown().optional() })),
  sheetId: z.string().optional(),
  /** A signature is here, and what still keeps its sheet from being filed. */
  waitsFor: z.string().optional(),
});
export type Ingested = z.infer<typeof ingestedSchema>;

export const problemSchema = z.object({
  error: z.object({ code: z.string(), detail: z.unknown().optional() }),
});

export const importedSchema = z.object({
  /** Tags of the valves that were read and are right: taken, or to be taken where it is a preview. */
  kept: z.array(z.string()),
  /** Which of them the register did not have, and which it had otherwise; the rest it has so already. */
  fresh: z.array(z.string()),
  changed: z.array(z.string()),
  issues: z.array(z.object({ line: z.number(), column: z.string(), code: z.string() })),
});
export type Imported = z.infer<typeof importedSchema>;

/** What a sheet rests on, in short. */
export const evidenceSummarySchema = z.object({
  /** Its line in the log; null for practice. */
  line: logLineSchema.nullable(),
  /** Entries that its signature is about; null in sheets of before. */
  entries: z.number().nullable(),
  /** Name of the device’s key that its author signed by; null where he had none. */
  key: z.string().nullable().default(null),
  /** What came to its run and does not stand in it. */
  after_signature: z.array(z.object({ type: z.string(), author: z.string(), at_ms: z.number() })),
});
export type EvidenceSummary = z.infer<typeof evidenceSummarySchema>;

import { z } from 'zod';
import { needsAnswer } from './in-order';
import { sheetBodySchema, sheetSchema, sheetSettingSchema, type Sheet } from './sheet';

/** How many visits a valve's summary keeps: more than drift, rate and chart ask for. */
const MOST_VISITS = 24;

/** What lists, standing, drift and the start of a run need of a sheet; a sheet passes for one. */
export const valveVisitSchema = z.object({
  ...sheetSchema.pick({ id: true, hash: true }).shape,
  body: z.object({
    ...sheetBodySchema.pick({
      valve_id: true,
      valve_tag: true,
      valve_name: true,
      run_id: true,
      revision: true,
      rehearsal: true,
      started_at_ms: true,
      signed_at_ms: true,
      outcome: true,
      out_of_service_because: true,
      ended: true,
      verdict: true,
      proofs: true,
      gauges: true,
      other_gauges: true,
      open_ends: true,
      tables: true,
    }).shape,
    /** Whose hand it was, and by which way; absent in summaries that were made before. */
    technician: z.string().optional(),
    school: z.string().optional(),
    plate: z.object({ family: z.string(), fitted_spring: z.string() }),
    settings: z.array(sheetSettingSchema.omit({ dots: true })),
  }),
});
export type ValveVisit = z.infer<typeof valveVisitSchema>;

/** One row by valve, made anew whenever one of its records is filed. */
export const valveSummarySchema = z.object({
  valve_id: z.string(),
  /** Records that no later revision corrects. */
  count: z.number().int(),
  /** Whether the last of them left something to come back for. */
  needs_answer: z.boolean(),
  /** The latest of them, oldest first. */
  visits: z.array(valveVisitSchema),
});
export type ValveSummary = z.infer<typeof valveSummarySchema>;

/** Records that no later revision corrects, oldest first; practice is none. */
export function standingRecords<
  S extends {
    readonly hash: string;
    readonly body: Pick<Sheet['body'], 'rehearsal' | 'signed_at_ms' | 'corrects'>;
  },
>(sheets: readonly S[]): S[] {
  const corrected = new Set(
    sheets.flatMap(({ body }) => (body.corrects ? [body.corrects.hash] : [])),
  );
  return sheets
    .filter(({ hash, body }) => !body.rehearsal && !corrected.has(hash))
    .sort((a, b) => a.body.signed_at_ms - b.body.signed_at_ms);
}

/** A valve's summary from all of its sheets, in any order. */
export function summaryOf(valveId: string, sheets: readonly Sheet[]): ValveSummary {
  const records = standingRecords(sheets);
  const last = records.at(-1);
  return {
    valve_id: valveId,
    count: records.length,
    needs_answer: last !== undefined && needsAnswer(last.body),
    visits: records.slice(-MOST_VISITS).map((sheet) => valveVisitSchema.parse(sheet)),
  };
}

import { z } from 'zod';
import { gaugeSchema, verdicts } from '../gauge';
import { readingSchema } from '../run/event';
import { hazards, purposes } from '../procedure';
import { houseRulesSchema, plateSchema, targetSchema } from '../valve';

const hash = z.string().regex(/^[0-9a-f]{64}$/u);
const text = z.string().max(2000);
const number = z.number();

const sheetReading = z.object({
  role: z.enum(['inlet', 'outlet']),
  purpose: z.enum(purposes),
  reading: readingSchema,
  settled: z.boolean(),
  at_ms: number,
  elapsed_s: number.optional(),
});

/** Everything that signing freezes; units stand in the names. */
export const sheetBodySchema = z.object({
  format: z.literal('holvek.sheet'),
  version: z.literal(1),
  revision: z.number().int().min(1),
  /** Hash of the sheet that this revision corrects, and why. */
  corrects: z.object({ hash, why: text }).optional(),
  previous_hash: hash.nullable(),
  run_id: z.string(),
  valve_id: z.string(),
  valve_tag: z.string(),
  valve_name: z.string(),
  technician: z.string(),
  school: z.string(),
  procedure_version: number,
  rehearsal: z.boolean(),
  started_at_ms: number,
  signed_at_ms: number,
  plate: plateSchema,
  target: targetSchema,
  house_rules: houseRulesSchema,
  gauges: z.record(z.enum(['inlet', 'outlet']), gaugeSchema),
  /** Findings on the outlet gauge on the day: the sheet says when it was out of date. */
  gauge_findings: z.array(z.string()),
  as_found_pa: number.nullable(),
  as_left_pa: number,
  uncertainty_pa: number,
  verdict: z.enum(verdicts),
  rate_pa_per_turn: number.nullable(),
  rate_sd_pa_per_turn: number.nullable(),
  clockwise: z.enum(['raises', 'lowers', 'unknown']),
  turns_net: number,
  dots: z.array(z.object({ pressure_pa: number, turns: number })),
  readings: z.array(sheetReading),
  droop_pa: number.nullable(),
  no_flow: z
    .object({
      shape: z.enum(['levels', 'creeps']),
      sure: number,
      rise_pa: number,
      allowed_pa: number,
      creep_pa_per_s: number,
      passes: z.boolean(),
    })
    .nullable(),
  open_ends: z.array(
    z.object({
      id: z.string(),
      say: z.string(),
      state: z.enum(['open', 'closed', 'left']),
      reason: text.optional(),
    }),
  ),
  cautions: z.array(z.object({ step_id: z.string(), hazard: z.enum(hazards), accepted_at_ms: number })),
  skipped: z.array(z.object({ step_id: z.string(), reason: text })),
  notes: z.array(text),
});
export type SheetBody = z.infer<typeof sheetBodySchema>;

export const sheetSchema = z.object({ id: z.string(), hash, body: sheetBodySchema });
export type Sheet = z.infer<typeof sheetSchema>;

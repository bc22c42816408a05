import { z } from 'zod';
import { digestSchema, keySignatureSchema } from '../digest';
import { plateSchema } from '../family';
import { gaugeSchema, uncertaintySources, verdicts } from '../gauge';
import { repairAnsweredSchema } from '../run';
import {
  controlSchema,
  crackingSchema,
  deviceSchema,
  edgesSchema,
  endReasons,
  hazards,
  noFlowSchema,
  plateValueSchema,
  proofSchema,
  purposes,
  readingSchema,
  sheetVerdicts,
  switchCyclesSchema,
  tablesSchema,
} from '../step';
import {
  houseRulesSchema,
  jobSchema,
  otherTargetsSchema,
  photoSubjectNames,
  targetSchema,
} from '../valve';
import { fileTakenSchema } from './files-taken';

const hash = digestSchema;
const text = z.string().max(2000);
const number = z.number();
const role = z.enum(['inlet', 'outlet']);

const sheetReading = z.object({
  role,
  purpose: z.enum(purposes),
  adjuster: z.string().optional(),
  reading: readingSchema,
  settled: z.boolean(),
  at_ms: number,
  elapsed_s: number.optional(),
});

/** What one adjuster was found at and left at. */
export const sheetSettingSchema = z.object({
  adjuster: z.string(),
  name: z.string(),
  role,
  target: targetSchema,
  as_found_pa: number.nullable(),
  as_left_pa: number,
  /** k = 2. */
  uncertainty_pa: number,
  /** What it is made of, as standard uncertainties; absent in sheets of before. */
  uncertainty_parts: z
    .array(z.object({ from: z.enum(uncertaintySources), standard_pa: number }))
    .optional(),
  method: z.enum(['by_reading', 'by_pressure', 'by_count']),
  verdict: z.enum(verdicts),
  rate_pa_per_turn: number.nullable(),
  rate_sd_pa_per_turn: number.nullable(),
  clockwise: z.enum(['raises', 'lowers', 'unknown']),
  turns_net: number,
  dots: z.array(z.object({ pressure_pa: number, turns: number })),
});
export type SheetSetting = z.infer<typeof sheetSettingSchema>;

/** What a visit came to. Sheets of version 1 know only the first, and the two at the end. */
export const outcomes = [
  'set',
  'proof_failed',
  'could_not_be_set',
  'left_as_found',
  'given_up',
  'sequence_done',
  'out_of_service',
] as const;
export type Outcome = (typeof outcomes)[number];

/** Everything that signing freezes; units stand in the names. */
export const sheetBodySchema = z.object({
  format: z.literal('holvek.sheet'),
  /** 1: judged by its settings alone. 2: by everything that it owed a proof of. */
  version: z.union([z.literal(1), z.literal(2)]),
  revision: z.number().int().min(1),
  /** Hash of the sheet that this revision corrects, and why. */
  corrects: z
    .object({
      hash,
      why: text,
      /** Who has corrected it, and when; the name under the sheet stays that of its author. */
      by: z.string().optional(),
      at_ms: number.optional(),
      /** His own signature, over `correctionDigest`; absent in revisions of before. */
      signed: keySignatureSchema.optional(),
    })
    .optional(),
  previous_hash: hash.nullable(),
  run_id: z.string(),
  /** Digest over the entries that its signature is about, and how many; absent in sheets of before. */
  root: hash.optional(),
  covers: number.optional(),
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
  other_targets: otherTargetsSchema.optional(),
  house_rules: houseRulesSchema,
  gauges: z.partialRecord(role, gaugeSchema),
  /** Gauges that were taken off in the middle of the work. */
  other_gauges: z.array(gaugeSchema).optional(),
  /** Who gave the work to whom, and what stood open then. */
  handed_over: z
    .array(
      z.object({
        from: text,
        to: text,
        at_ms: number,
        words: text.optional(),
        open_ends: z.array(text),
      }),
    )
    .optional(),
  /** What of the plate was found otherwise than the register had it; `plate` is as it was found. */
  plate_corrected: z
    .array(
      z.object({
        facts: z.array(z.object({ path: z.string(), was: plateValueSchema, is: plateValueSchema })),
        why: text,
        by: text,
        at_ms: number,
      }),
    )
    .optional(),
  /** Pictures that were taken in the work, by the digest of their files; `reading` is a place in `readings`. */
  pictures: z
    .array(
      z.object({
        picture: hash,
        shows: z.enum(photoSubjectNames),
        reading: z.number().int().nonnegative().optional(),
        by: text,
        at_ms: number,
      }),
    )
    .optional(),
  /** Files of loggers that figures were taken from, by their digest. */
  files: z.array(fileTakenSchema).optional(),
  /** Findings on the judging gauge on the day: the sheet says when it was out of date. */
  gauge_findings: z.array(z.string()),
  outcome: z.enum(outcomes),
  out_of_service_because: text.optional(),
  /** How the work was ended before its setting was proved. */
  ended: z.object({ why: z.enum(endReasons), reason: text }).optional(),
  /** For whom, and by whose leave. */
  job: jobSchema.optional(),
  /** Hash of the sheet, not in order, that this visit answers. */
  answers_sheet: hash.optional(),
  /** The repair after which this visit proved the valve anew. */
  answers_repair: repairAnsweredSchema.optional(),
  /** Of the worst of what was proved; null where nothing was set. */
  verdict: z.enum(sheetVerdicts).nullable(),
  /** Everything that this visit owed a proof of; absent in version 1. */
  proofs: z.array(proofSchema).optional(),
  /** Leading adjuster first; empty for a sequence, or a valve that went out of service. */
  settings: z.array(sheetSettingSchema),
  readings: z.array(sheetReading),
  droop_pa: number.nullable(),
  no_flow: noFlowSchema.nullable(),
  cracking: crackingSchema.nullable(),
  /** Five points as found and as left, for what is judged by them; shares of span. */
  tables: tablesSchema.optional(),
  /** Where a range arm was left on its scale; where it was found stands among the answers. */
  range_arm: number.optional(),
  /** Edges between which a pilot lights, Pa, and how far from each it was left. */
  edges: edgesSchema.optional(),
  /** A controller’s sweep of the band, and what its step test came to. */
  control: controlSchema.optional(),
  /** An electronic pilot: cables before power, terminals seen right, stroke, registers as left, its tuning. */
  device: deviceSchema.optional(),
  /** Cycles of a switch as left, Pa. */
  switch_cycles: switchCyclesSchema.optional(),
  /** Answers that were given in the run, as they were given; figures in SI. */
  answers: z.record(z.string(), z.union([z.string(), number])),
  open_ends: z.array(
    z.object({
      id: z.string(),
      say: z.string(),
      state: z.enum(['open', 'closed', 'left']),
      reason: text.optional(),
    }),
  ),
  cautions: z.array(
    z.object({ step_id: z.string(), hazard: z.enum(hazards), accepted_at_ms: number }),
  ),
  skipped: z.array(z.object({ step_id: z.string(), reason: text })),
  notes: z.array(text),
});
export type SheetBody = z.infer<typeof sheetBodySchema>;

export const sheetSchema = z.object({ id: z.string(), hash, body: sheetBodySchema });
export type Sheet = z.infer<typeof sheetSchema>;

/** The setting that lists and charts speak of; undefined where nothing was set. */
export const leadingSetting = <S>({
  settings,
}: {
  readonly settings: readonly S[];
}): S | undefined => settings[0];

/** The gauge that judged the leading setting. */
export const judgingGauge = ({
  settings,
  gauges,
}: Pick<SheetBody, 'gauges'> & { readonly settings: readonly Pick<SheetSetting, 'role'>[] }) =>
  gauges[settings[0]?.role ?? 'outlet'] ?? gauges.inlet ?? gauges.outlet;

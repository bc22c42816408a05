import { z } from 'zod';
import { plateSchema } from '../family';
import { pressureUnits } from '../quantity';
import {
  dutySchema,
  jobSchema,
  otherTargetsSchema,
  targetSchema,
  twinSketchSchema,
} from '../valve';

const aboutText = z.string().max(120).optional();
/** What tells this valve from others of its kind, as it is written on it. */
export const aboutSchema = z.object({
  model: aboutText,
  serial: aboutText,
  year: aboutText,
  seal: aboutText,
  key_size: aboutText,
  screw_at: aboutText,
});

/** A valve of the register. */
export const valveSchema = z.object({
  id: z.string().min(1).max(64),
  tag: z.string().min(1).max(40),
  name: z.string().max(120),
  place: z.string().max(120),
  plate: plateSchema,
  target: targetSchema,
  /** Of further adjusters, by their id. */
  other_targets: otherTargetsSchema.optional(),
  /** How its twin differs from the plate; absent for a twin drawn from the tag alone. */
  twin: twinSketchSchema.optional(),
  about: aboutSchema.optional(),
  /** The place of the register that it belongs to; the house's first site where none is named. */
  place_id: z.string().min(1).max(64).optional(),
  /** What it is there for, where it is another than its family's. */
  duty: dutySchema.optional(),
  /** Months between its visits, where its owner wants others than its duty's. */
  visit_months: z.number().int().min(1).max(240).optional(),
  /** Its figures are shown in it, where it is another than its kind's or the phone's. */
  unit: z.enum(pressureUnits).optional(),
  /** Taken out of the register's rounds, with its records kept; absent while it is in use. */
  retired: z.object({ why: z.string().min(1).max(400), on: z.iso.date() }).optional(),
});
export type Valve = z.infer<typeof valveSchema>;

/** Valves of one outing, in setting order. */
export const roundSchema = z.object({
  id: z.string().min(1).max(64),
  name: z.string().min(1).max(120),
  site_id: z.string().min(1).max(64),
  day: z.iso.date(),
  valve_ids: z.array(z.string().min(1).max(64)).max(200),
  why_this_order: z.string().max(4000),
  /** The system whose order it took over. */
  system_id: z.string().min(1).max(64).optional(),
  archived: z.boolean().optional(),
  /** For whom, and by whose leave: each run of it takes this over. */
  job: jobSchema.optional(),
});
export type Round = z.infer<typeof roundSchema>;

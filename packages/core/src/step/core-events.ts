import { z } from 'zod';
import { digestSchema, keySignatureSchema } from '../digest';
import { gaugeSchema } from '../gauge';
import { photoSubjectNames } from '../valve';
import {
  eventSchema,
  finiteSchema,
  idSchema,
  reasonSchema,
  roleSchema,
  stepEventSchema,
} from './event';
import { readingSchema, watchedSchema } from './reading';
import { purposes } from './step';

const text = z.string().max(2000);

/** Honest ends of a run before its setting is proved; one that goes out of service is condemned. */
export const earlyEnds = ['could_not_be_set', 'left_as_found', 'given_up'] as const;
export type EarlyEnd = (typeof earlyEnds)[number];
/** What kept it from being set. */
export const endReasons = [
  'hunts',
  'end_of_travel',
  'no_safe_move',
  'not_in_control',
  'needs_repair',
  'not_safe_here',
  'no_time',
  'other',
] as const;
export type EndReason = (typeof endReasons)[number];

/** Where something stands within a plate: keys with dots between, none of them a name of the language itself. */
const pathSchema = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[\w-]+(?:\.[\w-]+)*$/u)
  .refine((path) => path.split('.').every((key) => !(key in {})), 'a name of the language itself');
const plainSchema = z.union([finiteSchema, z.string().max(400), z.boolean(), z.null()]);
const listSchema = z.array(z.string().max(80)).max(20);
const partSchema = z.record(idSchema, z.union([plainSchema, listSchema]));
/** What a plate may say there; null where it says nothing. The plate's own schema judges it. */
export const plateValueSchema = z.union([
  plainSchema,
  listSchema,
  partSchema,
  z.array(partSchema).max(12),
]);
export type PlateValue = z.infer<typeof plateValueSchema>;

/** Entries that no kind of step has for itself. */
export const coreEvents = [
  stepEventSchema('step_done', {}),
  stepEventSchema('step_skipped', { reason: reasonSchema }),
  stepEventSchema('reading', {
    role: roleSchema,
    purpose: z.enum(purposes),
    reading: readingSchema,
    settled: z.boolean(),
    /** False while the valve is wide open or shut off from its pilot: such a reading teaches nothing. */
    in_control: z.boolean().optional(),
    /** Seconds since the step began watching, for records over time. */
    elapsed_s: z.number().min(0).max(1e6).optional(),
    /** What a linked gauge said between the reading before and this one, of a record over time. */
    between: z.array(watchedSchema).max(1000).optional(),
  }),
  stepEventSchema('condemned', { reason: reasonSchema }),
  stepEventSchema('ended', {
    outcome: z.enum(earlyEnds),
    why: z.enum(endReasons),
    reason: reasonSchema,
  }),
  eventSchema('turned', { adjuster: idSchema, turns: z.number().min(-60).max(60) }),
  eventSchema('observed', { key: idSchema, value: z.union([finiteSchema, z.string().max(80)]) }),
  eventSchema('direction_corrected', {
    adjuster: idSchema,
    clockwise: z.enum(['raises', 'lowers']),
  }),
  eventSchema('open_end_made', { open_end: idSchema, say: text.min(1), put_back: text.min(1) }),
  eventSchema('open_end_closed', { open_end: idSchema }),
  eventSchema('open_end_left', { open_end: idSchema, reason: reasonSchema }),
  eventSchema('note', { text: text.min(1) }),
  /** The plate says otherwise than the register had it: what differs, each by where it stands on the plate. */
  eventSchema('plate_corrected', {
    facts: z
      .array(z.object({ path: pathSchema, value: plateValueSchema }))
      .min(1)
      .max(40),
    why: reasonSchema,
  }),
  /** A picture that was taken in the work: its file by digest, and the reading that it shows. */
  stepEventSchema('pictured', {
    picture: digestSchema,
    shows: z.enum(photoSubjectNames),
    /** Entry of a reading, where it shows one. */
    of_reading: idSchema.optional(),
  }),
  eventSchema('gauge_swapped', { role: roleSchema, gauge: gaugeSchema }),
  /** The work goes on in another hand, who takes over what stands open. */
  eventSchema('handed_over', {
    to: z.string().min(1).max(80),
    words: text.min(1).optional(),
  }),
  eventSchema('paused', {}),
  eventSchema('resumed', {}),
  eventSchema('abandoned', { reason: reasonSchema }),
  eventSchema('undone', { undoes: idSchema }),
  eventSchema('signed', {
    name: z.string().min(1).max(80),
    /** How many entries it is about. */
    covers: z.number().int().min(1),
    /** Digest over the hashes of exactly these, in order; absent in signatures of before. */
    root: digestSchema.optional(),
    /** Hash of the sheet that its author saw, as it is before it has a place in a chain. */
    sheet: digestSchema.optional(),
    /** By the key of the device that its author signed on; absent where the browser gives none. */
    device_signature: keySignatureSchema.optional(),
  }),
] as const;
export type CoreEvent = z.infer<(typeof coreEvents)[number]>;

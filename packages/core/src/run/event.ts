import { z } from 'zod';
import { registerKeys } from '../device';
import { gaugeSchema } from '../gauge';
import { marks, purposes } from '../procedure';
import {
  directionSchema, houseRulesSchema, otherTargetsSchema, plateSchema, targetSchema, twinSketchSchema,
} from '../valve'; // prettier-ignore

const id = z.string().min(1).max(64);
const text = z.string().max(2000);
const finite = z.number().min(-1e12).max(1e12);
const role = z.enum(['inlet', 'outlet']);

/** A reading as evidence: what was typed or sent is kept beside its SI value. */
export const readingSchema = z.object({
  si: finite,
  entered: z.object({ text: z.string().max(60), unit: z.string().max(16) }),
  gauge_id: id,
  source: z.enum(['typed', 'linked']),
  /** The person confirmed a value that looks wrong, such as one beyond the gauge's range. */
  confirmed: z.boolean().optional(),
});
export type Reading = z.infer<typeof readingSchema>;

export const ratePriorSchema = z.object({
  rate: z.number().positive().max(1e9),
  sdFraction: z.number().positive().max(5),
  direction: directionSchema,
  directionTrust: z.number().min(0.5).max(1),
  from: z.enum(['sheets', 'spring', 'family']),
});

const base = z.object({
  /** Time-sortable, made on the device. */
  id,
  run_id: id,
  author: z.string().min(1).max(80),
  /** Device clock, ms since 1970; may have been set back, so order follows `lamport`. */
  at_ms: z.number().int().min(0).max(4e12),
  lamport: z.number().int().min(0).max(1e9),
});
const event = <T extends string, S extends z.ZodRawShape>(type: T, shape: S) =>
  base.extend({ type: z.literal(type), ...shape });

export const startedSchema = event('started', {
  valve_id: id,
  valve_tag: z.string().min(1).max(40),
  valve_name: z.string().max(120),
  plate: plateSchema,
  target: targetSchema,
  other_targets: otherTargetsSchema.optional(),
  school: id,
  procedure_version: z.number().int().positive(),
  gauges: z.partialRecord(role, gaugeSchema),
  house_rules: houseRulesSchema,
  /** First guess of each adjuster’s rate, by its id. */
  priors: z.record(id, ratePriorSchema),
  /** The twin, when the run is against the simulated gauge; absent on a real valve. */
  twin: twinSketchSchema.optional(),
});

export const runEventSchema = z.discriminatedUnion('type', [
  startedSchema,
  event('step_done', { step_id: id }),
  event('step_skipped', { step_id: id, reason: z.string().min(1).max(400) }),
  event('cycled', { step_id: id }),
  event('reading', {
    step_id: id,
    role,
    purpose: z.enum(purposes),
    reading: readingSchema,
    settled: z.boolean(),
    /** False while the valve is wide open or shut off from its pilot: such a reading teaches nothing. */
    in_control: z.boolean().optional(),
    /** Seconds since the step began watching, for records over time. */
    elapsed_s: z.number().min(0).max(1e6).optional(),
  }),
  event('marked', {
    step_id: id,
    role,
    mark: z.enum(marks),
    cycle: z.number().int().min(1).max(99),
    reading: readingSchema,
    /** The mark that this one moves. */
    replaces: id.optional(),
  }),
  event('log_taken', {
    step_id: id,
    name: z.string().max(200),
    /** Thinned to what a chart can show: s and Pa. */
    samples: z.array(z.tuple([z.number(), finite])).max(1000),
    cycles: z
      .array(
        z.object({
          cracked: finite.optional(),
          full_flow: finite.optional(),
          reseated: finite.optional(),
          sure: z.number().min(0).max(1),
        }),
      )
      .min(1)
      .max(50),
  }),
  event('cal_point', {
    step_id: id,
    /** Nominal input, fraction of its span. */
    at: z.number().min(-0.5).max(1.5),
    direction: z.enum(['up', 'down']),
    pass: z.number().int().min(1).max(99),
    /** SI, in the kind of the plate's output. */
    output: finite,
    entered: z.object({ text: z.string().max(60), unit: z.string().max(16) }),
    source: z.enum(['typed', 'linked']),
  }),
  event('swept', {
    step_id: id,
    /** Gain of the band, negative on the reverse side. */
    gain: z.number().min(-100).max(100),
    role,
    reading: readingSchema,
  }),
  event('step_tested', {
    step_id: id,
    /** s, output in %, process value in %. */
    samples: z
      .array(z.tuple([finite, finite, finite]))
      .min(1)
      .max(2000),
    source: z.enum(['typed', 'linked', 'file']),
  }),
  event('register_set', {
    step_id: id,
    register: z.enum(registerKeys),
    /** In the register's unit, as it was read back from the unit. */
    value: finite,
    source: z.enum(['typed', 'linked']),
  }),
  event('stroked', {
    step_id: id,
    /** Counts of the position at both ends, and s from one to the other. */
    closed: z.number().min(-65_535).max(65_535),
    open: z.number().min(-65_535).max(65_535),
    seconds: z.number().positive().max(3600),
    source: z.enum(['typed', 'linked']),
  }),
  event('self_tuned', {
    step_id: id,
    /** s of a swing, half of its height as a share of the range; 0 where it does not tell. */
    period_s: z.number().nonnegative().max(1e5),
    amplitude: z.number().nonnegative().max(1),
    gain: z.number().positive().max(1000),
    integral_s: z.number().positive().max(1e5),
    source: z.enum(['typed', 'linked']),
  }),
  event('switched', {
    step_id: id,
    role,
    edge: z.enum(['cut_in', 'cut_out']),
    cycle: z.number().int().min(1).max(99),
    reading: readingSchema,
  }),
  event('light_tried', {
    step_id: id,
    role,
    reading: readingSchema,
    lit: z.boolean(),
    /** Lit, but the flame signal was below what is asked. */
    weak: z.boolean().optional(),
  }),
  event('spring_changed', { step_id: id, adjuster: id, colour: z.string().min(1).max(40) }),
  event('condemned', { step_id: id, reason: z.string().min(1).max(400) }),
  event('turned', { adjuster: id, turns: z.number().min(-60).max(60) }),
  event('observed', { key: id, value: z.union([finite, z.string().max(80)]) }),
  event('direction_corrected', { adjuster: id, clockwise: z.enum(['raises', 'lowers']) }),
  event('open_end_made', { open_end: id, say: text.min(1), put_back: text.min(1) }),
  event('open_end_closed', { open_end: id }),
  event('open_end_left', { open_end: id, reason: z.string().min(1).max(400) }),
  event('locked', { step_id: id, adjuster: id }),
  event('note', { text: text.min(1) }),
  event('gauge_swapped', { role, gauge: gaugeSchema }),
  event('paused', {}),
  event('resumed', {}),
  event('abandoned', { reason: z.string().min(1).max(400) }),
  event('undone', { undoes: id }),
  event('signed', { name: z.string().min(1).max(80), covers: z.number().int().min(1) }),
]);
export type RunEvent = z.infer<typeof runEventSchema>;
export type EventOf<T extends RunEvent['type']> = Extract<RunEvent, { type: T }>;
type Distribute<E> = E extends RunEvent ? Omit<E, 'id' | 'run_id' | 'author' | 'at_ms' | 'lamport'> : never;
/** An event before the device has stamped it. */
export type RunEventDraft = Distribute<RunEvent>;

/** The order that every device and the server agree on. */
export const byOrder = (a: RunEvent, b: RunEvent): number =>
  a.lamport - b.lamport || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** Events by id once, in order. Merging two outboxes is this, whichever comes first. */
export function mergeEvents(...lists: readonly (readonly RunEvent[])[]): RunEvent[] {
  const byId = new Map<string, RunEvent>();
  for (const list of lists) for (const item of list) if (!byId.has(item.id)) byId.set(item.id, item);
  return [...byId.values()].sort(byOrder);
}

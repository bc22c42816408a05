import { z } from 'zod';
import { plateSchema } from '../family';
import { gaugeSchema } from '../gauge';
import {
  coreEvents,
  eventSchema,
  idSchema,
  roleSchema,
  stepEvents,
  type EntryEvent,
} from '../step';
import { storedAs, type Rate } from '../quantity';
import {
  directionSchema,
  houseRulesSchema,
  jobSchema,
  otherTargetsSchema,
  targetSchema,
  twinSketchSchema,
} from '../valve';

export const ratePriorSchema = z.object({
  rate: storedAs<Rate>(z.number().positive().max(1e9)),
  sdFraction: z.number().positive().max(5),
  direction: directionSchema,
  directionTrust: z.number().min(0.5).max(1),
  from: z.enum(['sheets', 'fleet', 'spring', 'family']),
  /** Valves of its kind that have taught it. */
  valves: z.number().int().positive().optional(),
  /** How the coach reasons in this run; absent in those that were begun with the first way. */
  model: z.literal(2).optional(),
});

export const purposesOfRun = ['record', 'practice'] as const;
export type PurposeOfRun = (typeof purposesOfRun)[number];

/** Which repair a run answers, and when that was done (ms since 1970). */
export const repairAnsweredSchema = z.object({
  id: idSchema,
  at_ms: z.number().int().nonnegative(),
});
export type RepairAnswered = z.infer<typeof repairAnsweredSchema>;

export const startedSchema = eventSchema('started', {
  valve_id: idSchema,
  valve_tag: z.string().min(1).max(40),
  valve_name: z.string().max(120),
  plate: plateSchema,
  target: targetSchema,
  other_targets: otherTargetsSchema.optional(),
  school: idSchema,
  procedure_version: z.number().int().positive(),
  gauges: z.partialRecord(roleSchema, gaugeSchema),
  house_rules: houseRulesSchema,
  /** First guess of each adjuster’s rate, by its id. */
  priors: z.record(idSchema, ratePriorSchema),
  /** A record of a real valve, or practice on its twin: fixed here for good. Absent in runs of before. */
  purpose: z.enum(purposesOfRun).optional(),
  /** The kind of sheet that it comes to: 2 judges by every proof; absent in runs of before, by the settings alone. */
  sheet_version: z.union([z.literal(2), z.literal(3)]).optional(),
  /** Hash of a sheet that was not in order, which this run answers. */
  answers_sheet: z
    .string()
    .regex(/^[0-9a-f]{64}$/u)
    .optional(),
  /** The repair after which this run proves the valve anew. */
  answers_repair: repairAnsweredSchema.optional(),
  /** For whom, and by whose leave; absent where nothing was told. */
  job: jobSchema.optional(),
  /** The twin, when the run is against the simulated gauge; absent on a real valve. */
  twin: twinSketchSchema.optional(),
});

/** Everything that a run is made of: how it started, what any run has, what the kinds of steps make. */
export const runEventSchema = z.discriminatedUnion('type', [
  startedSchema,
  ...coreEvents,
  ...stepEvents,
]);
export type RunEvent = z.infer<typeof startedSchema> | EntryEvent;
export type EventOf<T extends RunEvent['type']> = Extract<RunEvent, { type: T }>;
type Distribute<E> = E extends RunEvent
  ? Omit<E, 'id' | 'run_id' | 'author' | 'at_ms' | 'lamport' | 'device' | 'seen' | 'hash'>
  : never;
/** An event before the device has stamped it. */
export type RunEventDraft = Distribute<RunEvent>;

/** Entries that are made without knowing of one another are told apart by their hash; no clock decides. */
const tieOf = ({ hash, id }: RunEvent): string => hash ?? id;

/** The order that every device and the server agree on: what was seen comes before what saw it. */
export function byOrder(a: RunEvent, b: RunEvent): number {
  if (a.lamport !== b.lamport) return a.lamport - b.lamport;
  const [one, other] = [tieOf(a), tieOf(b)];
  return one < other ? -1 : one > other ? 1 : 0;
}

/** Events by id once, in order. Merging two outboxes is this, whichever comes first. */
export function mergeEvents(...lists: readonly (readonly RunEvent[])[]): RunEvent[] {
  const byId = new Map<string, RunEvent>();
  for (const list of lists)
    for (const item of list) if (!byId.has(item.id)) byId.set(item.id, item);
  return [...byId.values()].sort(byOrder);
}

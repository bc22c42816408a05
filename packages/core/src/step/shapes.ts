import type { z } from 'zod';
import { actShape } from './act/shape';
import { askShape } from './ask/shape';
import { cablesShape } from './cables/shape';
import { captureShape } from './capture/shape';
import { cautionShape } from './caution/shape';
import { checkShape } from './check/shape';
import { clockShape } from './clock/shape';
import type { CoreEvent } from './core-events';
import { countShape } from './count/shape';
import { cycleShape } from './cycle/shape';
import { edgesShape } from './edges/shape';
import { linkageShape } from './linkage/shape';
import { lockShape } from './lock/shape';
import { pointsShape } from './points/shape';
import { readShape } from './read/shape';
import { registersShape } from './registers/shape';
import { restoreShape } from './restore/shape';
import { searchShape } from './search/shape';
import { selfTuneShape } from './self-tune/shape';
import { setShape } from './set/shape';
import { signShape } from './sign/shape';
import { springShape } from './spring/shape';
import type { StepBase } from './step';
import { strokeShape } from './stroke/shape';
import { sweepShape } from './sweep/shape';
import { switchingShape } from './switching/shape';
import { tableShape } from './table/shape';
import { terminalsShape } from './terminals/shape';
import { tuneShape } from './tune/shape';
import { waitShape } from './wait/shape';

/** Every kind of step that there is, in the order of a run: a new one is a folder and a line here. */
export const stepShapes = [
  cautionShape,
  checkShape,
  actShape,
  askShape,
  springShape,
  readShape,
  setShape,
  searchShape,
  countShape,
  waitShape,
  cycleShape,
  captureShape,
  tableShape,
  pointsShape,
  linkageShape,
  switchingShape,
  edgesShape,
  clockShape,
  sweepShape,
  tuneShape,
  cablesShape,
  terminalsShape,
  registersShape,
  strokeShape,
  selfTuneShape,
  lockShape,
  restoreShape,
  signShape,
] as const;

type Shape = (typeof stepShapes)[number];
export type StepKind = Shape['kind'];
export const stepKinds: readonly StepKind[] = stepShapes.map(({ kind }) => kind);
type ShapeOf<K extends StepKind> = Extract<Shape, { kind: K }>;

/** A step of one kind: what every step has, and its own fields. */
export type StepOf<K extends StepKind> = StepBase & { readonly kind: K } & ShapeOf<K>['fields'];
export type Step = { readonly [K in StepKind]: StepOf<K> }[StepKind];

/** What is kept of a step of a kind. */
export type RecordOf<K extends StepKind> = ShapeOf<K>['empty'];
export type StepRecord = Shape['empty'];

/** Entries that belong to a kind of step. */
export const stepEvents: readonly Shape['events'][number][] = stepShapes.flatMap(
  ({ events }): readonly Shape['events'][number][] => events,
);
export type StepEvent = z.infer<Shape['events'][number]>;

/** Everything that may be entered in a run once it has begun. */
export type EntryEvent = CoreEvent | StepEvent;
export type EntryOf<T extends EntryEvent['type']> = Extract<EntryEvent, { type: T }>;
type Stamp = 'id' | 'run_id' | 'author' | 'at_ms' | 'lamport' | 'device' | 'seen' | 'hash';
type Distribute<E> = E extends EntryEvent ? Omit<E, Stamp> : never;
/** An entry before the device has stamped it. */
export type EntryDraft = Distribute<EntryEvent>;

const emptyRecords = new Map<StepKind, StepRecord>(
  stepShapes.map(({ kind, empty }) => [kind, empty]),
);
/** What a kind keeps before anything was entered. */
export const emptyRecord = <K extends StepKind>(kind: K): RecordOf<K> =>
  emptyRecords.get(kind) as RecordOf<K>;

const stepEventTypes: ReadonlySet<string> = new Set(
  stepEvents.map(({ shape }) => shape.type.value),
);
/** Whether an entry belongs to a kind of step. */
export const isStepEvent = (event: { readonly type: string }): event is StepEvent =>
  stepEventTypes.has(event.type);

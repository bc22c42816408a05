import type { Positions } from '../plant';
import {
  foldStep,
  madeByConfirming,
  heardBy,
  linkageMarks,
  openEndsOf,
  stepsOutOfService,
  type CoreEvent,
  type EntryEvent,
  type OpenEnd,
  type SettingMark,
  type Step,
  type StepEvent,
} from '../step';
import type { EventOf, RunEvent } from './event';
import { correctPlate } from './plate-corrected';
import type { Draft } from './run';

type Fold<T extends RunEvent['type']> = (run: Draft, event: EventOf<T>) => void;

/** What the entries do that no kind of step has for itself. */
const coreFolds: { readonly [T in CoreEvent['type']]: Fold<T> } = {
  step_done: (run, event) => passStep(run, event.step_id, event.at_ms),
  step_skipped: (run, { step_id: id, reason }) => {
    run.skipped = { ...run.skipped, [id]: reason };
  },
  reading: takeReading,
  condemned: (run, { step_id: stepId, reason }) => {
    run.condemned = { stepId, reason };
    run.steps = stepsOutOfService(run.steps);
  },
  ended: (run, { outcome, why, reason }) => {
    run.ended = { outcome, why, reason };
    run.steps = stepsOutOfService(run.steps);
  },
  turned: (run, event) => {
    const { id: eventId, adjuster, turns, at_ms: atMs } = event;
    run.linkage = [...run.linkage, ...linkageMarks(run, event)];
    addMark(run, adjuster, { kind: 'turned', eventId, turns, atMs });
  },
  observed: (run, event) => {
    run.records = heardBy(run, event);
    const { key, value } = event;
    if (typeof value === 'number') run.measured = { ...run.measured, [key]: value };
    else run.observed = { ...run.observed, [key]: value };
  },
  direction_corrected: (run, { adjuster, clockwise }) => {
    run.directions = { ...run.directions, [adjuster]: clockwise };
  },
  open_end_made: (run, { open_end: id, say, put_back: putBack, at_ms: atMs }) =>
    openAnEnd(run, { id, say, putBack }, atMs),
  open_end_closed: (run, { open_end: id }) => settleEnd(run, id, { state: 'closed' }),
  open_end_left: (run, { open_end: id, reason }) => settleEnd(run, id, { state: 'left', reason }),
  note: (run, { text, at_ms: atMs }) => {
    run.notes = [...run.notes, { text, atMs }];
  },
  pictured: (run, event) => {
    const { picture, shows, step_id: stepId, of_reading: reading } = event;
    const { author: by, at_ms: atMs } = event;
    run.pictures = [...run.pictures, { picture, shows, stepId, reading, by, atMs }];
  },
  plate_corrected: correctPlate,
  gauge_swapped: (run, { role, gauge }) => {
    const former = run.gauges[role];
    if (former && former.id !== gauge.id) run.formerGauges = [...run.formerGauges, former];
    run.gauges = { ...run.gauges, [role]: gauge };
  },
  handed_over: (run, { author: from, to, words, at_ms: atMs }) => {
    const openEnds = openEndsOf(run).map(({ say }) => say);
    const handover = { from, to, atMs, openEnds, ...(words === undefined ? {} : { words }) };
    run.handovers = [...run.handovers, handover];
  },
  paused: (run) => {
    if (run.status === 'open') run.status = 'paused';
  },
  resumed: (run) => {
    if (run.status === 'paused') run.status = 'open';
  },
  abandoned: (run, { reason }) => {
    run.status = 'abandoned';
    run.abandonedBecause = reason;
  },
  undone: () => undefined,
  signed: (run, event) => {
    run.status = 'signed';
    run.signed = event;
    run.done = { ...run.done, [run.steps.at(-1)!.id]: event.at_ms };
  },
};
const isCore = (event: EntryEvent): event is CoreEvent => event.type in coreFolds;

/** Folds one event into a run; nothing that comes after the signature changes it. */
export function foldEvent(run: Draft, event: RunEvent): void {
  if (run.status === 'signed') return;
  run.lastAtMs = Math.max(run.lastAtMs, event.at_ms);
  if (event.type === 'started') return;
  if (isCore(event)) (coreFolds[event.type] as Fold<typeof event.type>)(run, event as never);
  else foldOfStep(run, event);
}

const stepOf = (run: Draft, id: string): Step | undefined =>
  run.steps.find((step) => step.id === id);

/** What an entry of a step comes to is its kind's to say. */
function foldOfStep(run: Draft, event: StepEvent): void {
  const step = stepOf(run, event.step_id);
  const folded = step && foldStep(run, step, event);
  if (!step || !folded) return;
  run.records = { ...run.records, [step.id]: folded.record };
  for (const { adjuster, mark } of folded.marks ?? []) addMark(run, adjuster, mark);
  if (folded.linkage) run.linkage = [...run.linkage, ...folded.linkage];
  if (folded.spring)
    run.springs = { ...run.springs, [folded.spring.adjuster]: folded.spring.colour };
  if (folded.opens) for (const spec of step.makes ?? []) openAnEnd(run, spec, event.at_ms);
  if (folded.moves) run.positions = Object.assign({}, run.positions, ...folded.moves) as Positions;
  if (folded.passes) passStep(run, step.id, event.at_ms);
}

function passStep(run: Draft, id: string, atMs: number): void {
  const step = stepOf(run, id);
  run.done = { ...run.done, [id]: atMs };
  if (!step) return;
  for (const spec of madeByConfirming(step)) openAnEnd(run, spec, atMs);
  forgetWhatWasRead(run, step);
  for (const end of step.closes ?? []) settleEnd(run, end, { state: 'closed' });
  const letDown = step.kind === 'capture' ? step.ramp.down : {};
  run.positions = { ...run.positions, ...step.does, ...letDown };
}

/** An adjuster that was set by its printed scale stands elsewhere, nobody knows how far: its readings begin anew. */
function forgetWhatWasRead(run: Draft, { does = {} }: Step): void {
  const scaled = run.adjusters.filter(({ id }) => does[`adjuster_${id}`] === 'scaled');
  if (scaled.length === 0) return;
  run.marks = { ...run.marks, ...Object.fromEntries(scaled.map(({ id }) => [id, []])) };
}

function takeReading(run: Draft, event: EventOf<'reading'>): void {
  const { step_id: stepId, role, purpose, reading, settled } = event;
  const { id: eventId, at_ms: atMs, elapsed_s: elapsed, between } = event;
  const step = stepOf(run, stepId);
  const adjuster = step?.adjuster;
  const of = { eventId, stepId, role, purpose, adjuster, atMs };
  run.readings = [...run.readings, { ...of, reading, settled, elapsed, between }];
  const isOwn = step !== undefined && 'role' in step && step.role === role;
  if (purpose !== 'setting' || !settled || adjuster === undefined || !isOwn) return;
  const inControl = event.in_control ?? true;
  addMark(run, adjuster, { kind: 'read', eventId, pressure: reading.si, inControl, atMs });
}

function addMark(run: Draft, adjuster: string, mark: SettingMark): void {
  run.marks = { ...run.marks, [adjuster]: [...(run.marks[adjuster] ?? []), mark] };
}

function openAnEnd(
  run: Draft,
  spec: {
    readonly id: string;
    readonly say: string;
    readonly putBack: string;
    readonly restores?: Positions;
  },
  madeAtMs: number,
): void {
  const entry: OpenEnd = { restores: {}, ...spec, state: 'open', madeAtMs };
  run.openEnds = [...run.openEnds.filter(({ id }) => id !== spec.id), entry];
}

function settleEnd(run: Draft, id: string, how: Pick<OpenEnd, 'state' | 'reason'>): void {
  const end = run.openEnds.find((entry) => entry.id === id);
  if (!end) return;
  run.openEnds = run.openEnds.map((entry) => (entry === end ? { ...entry, ...how } : entry));
  if (how.state === 'closed') run.positions = { ...run.positions, ...end.restores };
}

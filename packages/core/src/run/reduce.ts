import { stepsOutOfService, type Positions, type Step } from '../procedure';
import { err, ok, type Result } from '../result';
import { openDraft, type Draft } from './draft';
import { byOrder, type EventOf, type RunEvent } from './event';
import { linkageMarks, takenPoint } from './points';
import { bandOfCycle } from './switch-view';
import { PURGED, triedLight } from './lights';
import type { CaptureMark, OpenEnd, Run, SettingMark, SwitchMark } from './state';

export type RunError =
  | { readonly code: 'run.no_events' }
  | { readonly code: 'run.not_started' }
  | { readonly code: 'run.started_twice'; readonly eventId: string };

/**
 * The run that a list of events tells of. Order of arrival does not matter; events that an
 * `undone` names count for nothing; nothing that comes after the signature changes it.
 *
 * @errors run.no_events · run.not_started · run.started_twice
 */
export function reduceRun(events: readonly RunEvent[]): Result<Run, RunError> {
  if (events.length === 0) return err({ code: 'run.no_events' });
  const ordered = isOrdered(events) ? events : [...events].sort(byOrder);
  const withdrawn = withdrawnIds(ordered);
  const starts = ordered.filter((event) => event.type === 'started');
  const first = starts[0];
  if (!first) return err({ code: 'run.not_started' });
  if (starts[1]) return err({ code: 'run.started_twice', eventId: starts[1].id });
  const draft = openDraft(first);
  for (const event of ordered) if (!withdrawn.has(event.id)) fold(draft, event);
  return ok({ ...draft, eventCount: ordered.length, lamport: ordered.at(-1)!.lamport });
}

/**
 * A run with one more event. Quick for events that come last in order and withdraw nothing;
 * otherwise the caller must reduce from scratch, which undefined says.
 */
export function extendRun(run: Run, event: RunEvent): Run | undefined {
  if (event.lamport <= run.lamport || event.type === 'undone' || event.type === 'started') return undefined;
  const draft: Draft = { ...run };
  fold(draft, event, true);
  return { ...draft, eventCount: run.eventCount + 1, lamport: event.lamport };
}

/** Appends in place while folding from scratch; copies when extending a state that others hold. */
const append = <T>(list: readonly T[], item: T, copy: boolean): readonly T[] => {
  if (copy) return [...list, item];
  (list as T[]).push(item);
  return list;
};

function fold(run: Draft, event: RunEvent, copy = false): void {
  if (run.status === 'signed') return;
  run.lastAtMs = Math.max(run.lastAtMs, event.at_ms);
  switch (event.type) {
    case 'started':
    case 'undone':
      return;
    case 'step_done':
    case 'locked':
      return passStep(run, event);
    case 'step_skipped':
      run.skipped = { ...run.skipped, [event.step_id]: event.reason };
      return;
    case 'cycled':
      return cycle(run, event);
    case 'reading':
      return takeReading(run, event, copy);
    case 'cal_point':
      run.points = {
        ...run.points,
        [event.step_id]: [...(run.points[event.step_id] ?? []), takenPoint(run, event)],
      };
      run.linkage = [...run.linkage, ...linkageMarks(run, event)];
      return;
    case 'swept':
      run.sweeps = [
        ...run.sweeps,
        { eventId: event.id, gain: event.gain, output: event.reading.si, atMs: event.at_ms },
      ];
      return;
    case 'step_tested':
      run.stepTest = event.samples.map(([t, output, value]) => ({ t, output, value }));
      return;
    case 'register_set':
      run.registers = {
        ...run.registers,
        [event.step_id]: {
          ...run.registers[event.step_id],
          [event.register]: { value: event.value, source: event.source, atMs: event.at_ms },
        },
      };
      return;
    case 'stroked':
      run.stroke = event;
      return;
    case 'self_tuned':
      run.selfTune = event;
      return;
    case 'switched':
      return takeSwitch(run, event);
    case 'light_tried':
      run.lights = [...run.lights, triedLight(event)];
      return mark(run, stepOf(run, event.step_id)?.adjuster ?? 'main', {
        kind: 'read', eventId: event.id, pressure: event.reading.si, inControl: true, atMs: event.at_ms,
      }); // prettier-ignore
    case 'turned':
      run.linkage = [...run.linkage, ...linkageMarks(run, event)];
      return mark(run, event.adjuster, {
        kind: 'turned', eventId: event.id, turns: event.turns, atMs: event.at_ms,
      }); // prettier-ignore
    case 'marked':
      return capture(run, event.step_id, [{
        eventId: event.id, mark: event.mark, cycle: event.cycle, pressure: event.reading.si, source: 'marked', atMs: event.at_ms,
      }], event.replaces); // prettier-ignore
    case 'log_taken':
      run.logs = { ...run.logs, [event.step_id]: event.samples };
      return capture(run, event.step_id, marksOfLog(event, run.captures[event.step_id] ?? []));
    case 'spring_changed':
      run.springs = { ...run.springs, [event.adjuster]: event.colour };
      return;
    case 'condemned':
      run.condemned = { stepId: event.step_id, reason: event.reason };
      run.steps = stepsOutOfService(run.steps);
      return;
    case 'observed':
      if (event.key === PURGED) run.lights = run.lights.map((light) => ({ ...light, purged: true }));
      if (typeof event.value === 'number') run.measured = { ...run.measured, [event.key]: event.value };
      else run.observed = { ...run.observed, [event.key]: event.value };
      return;
    case 'direction_corrected':
      run.directions = { ...run.directions, [event.adjuster]: event.clockwise };
      return;
    case 'open_end_made':
      return openAnEnd(run, { id: event.open_end, say: event.say, putBack: event.put_back }, event.at_ms);
    case 'open_end_closed':
      return settleEnd(run, event.open_end, { state: 'closed' });
    case 'open_end_left':
      return settleEnd(run, event.open_end, { state: 'left', reason: event.reason });
    case 'note':
      run.notes = append(run.notes, { text: event.text, atMs: event.at_ms }, true);
      return;
    case 'gauge_swapped':
      run.gauges = { ...run.gauges, [event.role]: event.gauge };
      return;
    case 'paused':
      if (run.status === 'open') run.status = 'paused';
      return;
    case 'resumed':
      if (run.status === 'paused') run.status = 'open';
      return;
    case 'abandoned':
      run.status = 'abandoned';
      run.abandonedBecause = event.reason;
      return;
    case 'signed':
      run.status = 'signed';
      run.signed = event;
      run.done = { ...run.done, [run.steps.at(-1)!.id]: event.at_ms };
      return;
  }
}

const stepOf = (run: Draft, id: string): Step | undefined => run.steps.find((step) => step.id === id);

function passStep(run: Draft, event: EventOf<'step_done'> | EventOf<'locked'>): void {
  const step = stepOf(run, event.step_id);
  run.done = { ...run.done, [event.step_id]: event.at_ms };
  if (!step) return;
  for (const spec of step.makes ?? []) openAnEnd(run, spec, event.at_ms);
  for (const id of step.closes ?? []) settleEnd(run, id, { state: 'closed' });
  run.positions = { ...run.positions, ...step.does, ...(step.ramp?.down ?? {}) };
}

function cycle(run: Draft, event: EventOf<'cycled'>): void {
  const count = (run.cycles[event.step_id] ?? 0) + 1;
  run.cycles = { ...run.cycles, [event.step_id]: count };
  const step = stepOf(run, event.step_id);
  if (!step) return;
  if (count === 1) for (const spec of step.makes ?? []) openAnEnd(run, spec, event.at_ms);
  run.positions = Object.assign({}, run.positions, ...(step.cycle ?? [])) as Positions;
}

function takeReading(run: Draft, event: EventOf<'reading'>, copy: boolean): void {
  const { step_id: stepId, role, purpose, reading, settled, at_ms: atMs, elapsed_s: elapsed } = event;
  const step = stepOf(run, stepId);
  run.readings = append(
    run.readings,
    { eventId: event.id, stepId, role, purpose, adjuster: step?.adjuster, reading, settled, atMs, elapsed },
    copy,
  );
  if (purpose === 'setting' && settled && step?.adjuster && step.role === role)
    mark(run, step.adjuster, {
      kind: 'read',
      eventId: event.id,
      pressure: reading.si,
      inControl: event.in_control ?? true,
      atMs,
    });
}

function capture(run: Draft, stepId: string, added: readonly CaptureMark[], replaces?: string): void {
  const known = (run.captures[stepId] ?? []).filter(({ eventId }) => eventId !== replaces);
  run.captures = { ...run.captures, [stepId]: [...known, ...added] };
}

/** Marks that a log gives, as further cycles after those that are there. */
function marksOfLog(event: EventOf<'log_taken'>, known: readonly CaptureMark[]): CaptureMark[] {
  const before = Math.max(0, ...known.map(({ cycle }) => cycle));
  return event.cycles.flatMap((found, i) =>
    (['cracked', 'full_flow', 'reseated'] as const).flatMap((name): CaptureMark[] => {
      const pressure = found[name];
      return pressure === undefined
        ? []
        : [{ eventId: `${event.id}#${i}${name}`, mark: name, cycle: before + i + 1, pressure, source: 'log', atMs: event.at_ms }];
    }),
  ); // prettier-ignore
}

/** Both edges of a cycle are a reading of the scale and of the differential at once. */
function takeSwitch(run: Draft, event: EventOf<'switched'>): void {
  const { step_id: stepId, edge, cycle: number, at_ms: atMs } = event;
  const mine: SwitchMark = { eventId: event.id, edge, cycle: number, pressure: event.reading.si, atMs };
  run.switchMarks = { ...run.switchMarks, [stepId]: [...(run.switchMarks[stepId] ?? []), mine] };
  const band = bandOfCycle(run.switchMarks[stepId]!, number);
  if (!band || run.started.plate.family !== 'pressure_switch') return;
  const read = (pressure: number): SettingMark => ({
    kind: 'read',
    eventId: event.id,
    pressure,
    inControl: true,
    atMs,
  });
  mark(run, 'main', read(run.started.plate.scale === 'additive' ? band.cutIn : band.cutOut));
  mark(run, 'differential', read(band.cutOut - band.cutIn));
}

function mark(run: Draft, adjuster: string, item: SettingMark): void {
  run.marks = { ...run.marks, [adjuster]: [...(run.marks[adjuster] ?? []), item] };
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

/** Ids that are withdrawn: an `undone` counts unless a later one withdraws it in turn. */
function withdrawnIds(ordered: readonly RunEvent[]): ReadonlySet<string> {
  const withdrawn = new Set<string>();
  for (let i = ordered.length - 1; i >= 0; i--) {
    const event = ordered[i]!;
    if (event.type === 'undone' && !withdrawn.has(event.id)) withdrawn.add(event.undoes);
  }
  return withdrawn;
}

const isOrdered = (events: readonly RunEvent[]): boolean =>
  events.every((event, i) => i === 0 || byOrder(events[i - 1]!, event) < 0);

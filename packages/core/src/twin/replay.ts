import { procedureOf } from '../family';
import type { Positions } from '../plant';
import { byOrder, reduceRun, type EventOf, type RunEvent } from '../run';
import { isStepEvent, movesOfStep, type Step } from '../step';
import { actOnTwin, advanceTwin, createTwin, turnTwin, type Twin } from './twin';

/** Longest pause that is lived through again; a lunch break changes no valve. */
const LONGEST_PAUSE = 240;

/** The twin that a run begins with; undefined for a run on a real valve. */
export function twinOf(started: EventOf<'started'>): Twin | undefined {
  if (!started.twin) return undefined;
  return createTwin({
    plate: started.plate,
    targets: started,
    sketch: started.twin,
    gauges: started.gauges,
    initial: procedureOf(started.plate.family, started.procedure_version).initial,
  });
}

/**
 * The twin as the events of its run have left it: a tab that was closed in the middle of a turn
 * comes back to the same screw and the same cocks. Events that an undo names are left out.
 */
export function replayTwin(events: readonly RunEvent[]): Twin | undefined {
  const slices = replaySlices(events);
  for (;;) {
    const { done, value } = slices.next();
    if (done) return value;
  }
}

/** How long a twin would live through a run again, s: what replaying it costs. */
export function replaySeconds(events: readonly RunEvent[]): number {
  const [first, ...rest] = [...events].sort(byOrder);
  let before = first?.at_ms ?? 0;
  let seconds = 0;
  for (const { at_ms: atMs } of rest) {
    seconds += pauseBetween(before, atMs);
    before = Math.max(before, atMs);
  }
  return seconds;
}

const pauseBetween = (before: number, atMs: number): number =>
  Math.min(LONGEST_PAUSE, Math.max(0, (atMs - before) / 1000));

/** The same, entry by entry: whoever has others to serve lets them in between. */
export function* replaySlices(events: readonly RunEvent[]): Generator<undefined, Twin | undefined> {
  const reduced = reduceRun(events);
  if (!reduced.ok) return undefined;
  const { started, steps } = reduced.value;
  let twin = twinOf(started);
  if (!twin) return undefined;
  const withdrawn = new Set(
    events.flatMap((event) => (event.type === 'undone' ? [event.undoes] : [])),
  );
  let before = started.at_ms;
  for (const event of [...events].sort(byOrder)) {
    twin = advanceTwin(twin, pauseBetween(before, event.at_ms));
    before = Math.max(before, event.at_ms);
    yield undefined;
    if (withdrawn.has(event.id)) continue;
    if (event.type === 'turned') twin = turnTwin(twin, event.adjuster, event.turns);
    for (const positions of movesOf(event, steps)) twin = actOnTwin(twin, positions);
  }
  return twin;
}

/** What an event does to the line. */
export function movesOf(event: RunEvent, steps: readonly Step[]): readonly Positions[] {
  switch (event.type) {
    case 'step_done':
    case 'locked': {
      const does = steps.find(({ id }) => id === event.step_id)?.does;
      return does ? [does] : [];
    }
    case 'open_end_closed': {
      const made = steps
        .flatMap(({ makes }) => makes ?? [])
        .find(({ id }) => id === event.open_end);
      return made?.restores ? [made.restores] : [];
    }
    default:
      return movesOfEntry(event, steps);
  }
}

function movesOfEntry(event: RunEvent, steps: readonly Step[]): readonly Positions[] {
  if (!isStepEvent(event)) return [];
  const step = steps.find(({ id }) => id === event.step_id);
  return step ? movesOfStep(step, event) : [];
}

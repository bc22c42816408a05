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
    const pause = Math.min(LONGEST_PAUSE, Math.max(0, (event.at_ms - before) / 1000));
    twin = advanceTwin(twin, pause);
    before = Math.max(before, event.at_ms);
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

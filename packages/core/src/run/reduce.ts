import { err, ok, type Result } from '../result';
import { isRooted, pastOf } from './entry';
import { byOrder, type EventOf, type RunEvent } from './event';
import { foldEvent } from './fold';
import { startError, type StartError } from './start-error';
import { openDraft, type Draft, type Run } from './run';

export type RunError =
  | { readonly code: 'run.no_events' }
  | { readonly code: 'run.not_started' }
  | { readonly code: 'run.started_twice'; readonly eventId: string }
  | StartError;

/**
 * The run that a list of events tells of. Order of arrival does not matter; events that an
 * `undone` names count for nothing. A signature counts with exactly what it has seen: whatever else
 * came in is named in `late`, what it has seen and is not here in `missing`.
 *
 * @errors run.no_events · run.not_started · run.started_twice, and what keeps a run from being started
 */
export function reduceRun(events: readonly RunEvent[]): Result<Run, RunError> {
  if (events.length === 0) return err({ code: 'run.no_events' });
  const ordered = isOrdered(events) ? events : [...events].sort(byOrder);
  const { counted, late, missing } = signedPart(ordered);
  const starts = counted.filter((event) => event.type === 'started');
  const first = starts[0];
  if (!first) return err({ code: 'run.not_started' });
  if (starts[1]) return err({ code: 'run.started_twice', eventId: starts[1].id });
  const refused = startError(first);
  if (refused) return err(refused);
  const draft = openDraft(first);
  const withdrawn = withdrawnIds(counted);
  for (const event of counted) if (!withdrawn.has(event.id)) foldEvent(draft, event);
  return ok({
    ...draft,
    late,
    missing,
    eventCount: counted.length,
    lamport: ordered.at(-1)!.lamport,
  });
}

type Parts = {
  readonly counted: readonly RunEvent[];
  readonly late: readonly RunEvent[];
  readonly missing: readonly string[];
};

/** What the first signature that says what it is about leaves in, and out. */
function signedPart(ordered: readonly RunEvent[]): Parts {
  const parts = ordered.filter(isRooted).map((signature) => partOf(signature, ordered));
  // Of two that were made without knowing of one another, the one that can be judged counts.
  const whole = parts.find(({ missing }) => missing.length === 0);
  return whole ?? { counted: ordered, late: [], missing: parts[0]?.missing ?? [] };
}

function partOf(signature: EventOf<'signed'>, ordered: readonly RunEvent[]): Parts {
  const { covered, missing } = pastOf(signature, ordered);
  const own = new Set<RunEvent>([...covered, signature]);
  return {
    counted: [...covered, signature],
    late: ordered.filter((event) => !own.has(event)),
    missing,
  };
}

/**
 * A run with one more event. Quick for events that come last in order and withdraw nothing;
 * otherwise the caller must reduce from scratch, which undefined says.
 */
export function extendRun(run: Run, event: RunEvent): Run | undefined {
  if (event.lamport <= run.lamport || event.type === 'undone' || event.type === 'started')
    return undefined;
  if (isRooted(event) || run.signed?.root !== undefined) return undefined;
  const draft: Draft = { ...run };
  foldEvent(draft, event);
  return { ...draft, eventCount: run.eventCount + 1, lamport: event.lamport };
}

/**
 * Ids that are withdrawn: an `undone` counts unless a later one withdraws it in turn. Neither the
 * beginning nor a signature can be taken back.
 */
function withdrawnIds(ordered: readonly RunEvent[]): ReadonlySet<string> {
  const withdrawn = new Set<string>();
  const lasting = new Set(
    ordered.filter(({ type }) => type === 'started' || type === 'signed').map(({ id }) => id),
  );
  for (let i = ordered.length - 1; i >= 0; i--) {
    const event = ordered[i]!;
    if (event.type === 'undone' && !withdrawn.has(event.id) && !lasting.has(event.undoes))
      withdrawn.add(event.undoes);
  }
  return withdrawn;
}

const isOrdered = (events: readonly RunEvent[]): boolean =>
  events.every((event, i) => i === 0 || byOrder(events[i - 1]!, event) < 0);

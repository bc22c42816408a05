import { err, ok, type Result } from '../result';
import { byOrder, type RunEvent } from './event';
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
 * `undone` names count for nothing; nothing that comes after the signature changes it.
 *
 * @errors run.no_events · run.not_started · run.started_twice, and what keeps a run from being started
 */
export function reduceRun(events: readonly RunEvent[]): Result<Run, RunError> {
  if (events.length === 0) return err({ code: 'run.no_events' });
  const ordered = isOrdered(events) ? events : [...events].sort(byOrder);
  const withdrawn = withdrawnIds(ordered);
  const starts = ordered.filter((event) => event.type === 'started');
  const first = starts[0];
  if (!first) return err({ code: 'run.not_started' });
  if (starts[1]) return err({ code: 'run.started_twice', eventId: starts[1].id });
  const refused = startError(first);
  if (refused) return err(refused);
  const draft = openDraft(first);
  for (const event of ordered) if (!withdrawn.has(event.id)) foldEvent(draft, event);
  return ok({ ...draft, eventCount: ordered.length, lamport: ordered.at(-1)!.lamport });
}

/**
 * A run with one more event. Quick for events that come last in order and withdraw nothing;
 * otherwise the caller must reduce from scratch, which undefined says.
 */
export function extendRun(run: Run, event: RunEvent): Run | undefined {
  if (event.lamport <= run.lamport || event.type === 'undone' || event.type === 'started')
    return undefined;
  const draft: Draft = { ...run };
  foldEvent(draft, event);
  return { ...draft, eventCount: run.eventCount + 1, lamport: event.lamport };
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

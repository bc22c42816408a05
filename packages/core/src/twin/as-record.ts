import type { RunEvent } from '../run';
import { sealEntries } from '../sheet';

/**
 * A rehearsed run as the record that a visit with a hand-held gauge would have left: the same readings,
 * given by hand, and no twin. It is how the demo's history and the tests come by records.
 */
export const asRecord = (events: readonly RunEvent[]): readonly RunEvent[] =>
  sealEntries(events.map(byHand));

function byHand(event: RunEvent): RunEvent {
  if (event.type === 'started') {
    const { twin: _, ...started } = event;
    return { ...started, purpose: 'record' };
  }
  if ('reading' in event) return { ...event, reading: { ...event.reading, source: 'typed' } };
  return 'source' in event && event.source === 'linked' ? { ...event, source: 'typed' } : event;
}

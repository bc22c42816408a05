import {
  asRecord,
  reduceRun,
  rehearse,
  twinOf,
  unwrap,
  type EventOf,
  type Run,
} from '@holvek/core';
import { startedDraft } from './samples';

const started = { ...startedDraft(), twin: { seed: 3, faults: [], found_pa: 500_000 } };
const stamp = { id: 'e', run_id: 'run-1', author: 'Edda', at_ms: 1_790_000_000_000, lamport: 1 };
let made = 0;
/** A whole run as it was practised. */
export const { events: practised } = rehearse({
  started: { ...started, purpose: 'practice' },
  runId: 'run-1',
  twin: twinOf({ ...started, ...stamp } as EventOf<'started'>)!,
  author: 'Edda',
  startAtMs: stamp.at_ms,
  newId: () => `e${++made}`,
});
/** The same as a record, signed. */
export const run: Run = unwrap(reduceRun(asRecord(practised)));

import { adjustersOf, procedureOf } from '../family';
import { stepsFor, type RunState } from '../step';
import type { EventOf, RunEvent } from './event';

/** A run as the rest of the house knows it: its plate is one of the families'. */
export type Run = Omit<RunState, 'started'> & {
  readonly started: EventOf<'started'>;
  /** Entries that the signature is not about: made by others, or after it. */
  readonly late: readonly RunEvent[];
  /** Hashes that the signature is about and that have not come in yet. */
  readonly missing: readonly string[];
};
/** A run while its events are folded into it. */
export type Draft = { -readonly [K in keyof Run]: Run[K] };

/** A run before anything but its beginning. */
export function openDraft(started: EventOf<'started'>): Draft {
  const procedure = procedureOf(started.plate.family, started.procedure_version);
  return {
    id: started.run_id,
    started,
    procedure,
    adjusters: adjustersOf(started.plate),
    steps: stepsFor(procedure, started.school, started.plate),
    status: 'open',
    done: {},
    skipped: {},
    records: {},
    readings: [],
    marks: {},
    linkage: [],
    springs: {},
    condemned: undefined,
    ended: undefined,
    observed: {},
    measured: {},
    directions: {},
    openEnds: [],
    positions: procedure.initial,
    notes: [],
    pictures: [],
    plateCorrections: [],
    gauges: started.gauges,
    formerGauges: [],
    handovers: [],
    signed: undefined,
    late: [],
    missing: [],
    abandonedBecause: undefined,
    lastAtMs: started.at_ms,
    lamport: started.lamport,
    eventCount: 1,
  };
}

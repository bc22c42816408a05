import { procedureOf, stepsFor } from '../procedure';
import type { EventOf } from './event';
import type { Run } from './state';

/** A run while its events are folded into it. */
export type Draft = { -readonly [K in keyof Run]: Run[K] };

/** A run before anything but its beginning. */
export function openDraft(started: EventOf<'started'>): Draft {
  const procedure = procedureOf(started.plate.family, started.procedure_version);
  return {
    id: started.run_id,
    started,
    procedure,
    steps: stepsFor(procedure, started.school, started.plate),
    status: 'open',
    done: {},
    skipped: {},
    cycles: {},
    readings: [],
    marks: {},
    captures: {},
    points: {},
    switchMarks: {},
    lights: [],
    sweeps: [],
    stepTest: [],
    linkage: [],
    registers: {},
    stroke: undefined,
    selfTune: undefined,
    logs: {},
    springs: {},
    condemned: undefined,
    observed: {},
    measured: {},
    directions: {},
    openEnds: [],
    positions: procedure.initial,
    notes: [],
    gauges: started.gauges,
    signed: undefined,
    abandonedBecause: undefined,
    lastAtMs: started.at_ms,
    lamport: started.lamport,
    eventCount: 1,
  };
}

import type { StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { recordOf } from '../run-state';
import { findEdges } from './carry-out';
import { lightsLeft, lightsOf, lightsView, mustPurge, PURGED, triedLight } from './lights';
import { edgeProofs } from './proofs';
import { edgesPrompt } from './prompt';

/** The edges between which a pilot lights, and the middle of them. */
export const edgesStep: StepBehaviour<'edges'> = {
  maySkip: false,
  proves: edgeProofs,
  fold: (run, step, event) => {
    if (event.type !== 'light_tried') return undefined;
    const lights = [...recordOf(run, step).lights, triedLight(event)];
    const { adjuster } = step;
    const mark = {
      kind: 'read',
      eventId: event.id,
      pressure: event.reading.si,
      inControl: true,
      atMs: event.at_ms,
    } as const;
    return { record: { kind: 'edges', lights }, marks: [{ adjuster, mark }] };
  },
  hear: (record, { key }) =>
    key === PURGED
      ? { ...record, lights: record.lights.map((light) => ({ ...light, purged: true })) }
      : record,
  refuses: (run, _, draft) => {
    if (draft.type !== 'light_tried') return undefined;
    if (mustPurge(run)) return { code: 'run.purge_first' };
    return lightsLeft(run) <= 0
      ? { code: 'run.lights_spent', most: lightsOf(run).length }
      : undefined;
  },
  asks: (run) => ({ guard: 'edges_found', ...metWhen(lightsView(run).search.isDone) }),
  prompt: edgesPrompt,
  carryOut: findEdges,
};

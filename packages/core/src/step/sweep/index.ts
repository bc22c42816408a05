import type { StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { recordOf } from '../run-state';
import { alignBySweep } from './carry-out';
import { alignmentProofs } from './proofs';
import { sweepPrompt } from './prompt';
import { isFlat } from './sweep-view';

/** The band swept from narrow reverse to narrow direct: the output must stay put. */
export const sweepStep: StepBehaviour<'sweep'> = {
  maySkip: true,
  proves: alignmentProofs,
  fold: (run, step, event) => {
    if (event.type !== 'swept') return undefined;
    const { id: eventId, gain, reading, at_ms: atMs } = event;
    const band = { eventId, gain, output: reading.si, atMs };
    return { record: { kind: 'sweep', bands: [...recordOf(run, step).bands, band] } };
  },
  asks: (run) => ({ guard: 'aligned', ...metWhen(isFlat(run)) }),
  prompt: sweepPrompt,
  carryOut: alignBySweep,
};

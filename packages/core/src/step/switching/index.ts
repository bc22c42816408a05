import type { StepBehaviour } from '../behaviour';
import { atLeast, metWhen } from '../guard-names';
import { recordOf } from '../run-state';
import { markCycles } from './carry-out';
import { switchingPrompt } from './prompt';
import type { SwitchMark } from './shape';
import { bandMarks, switchCycles, switchCyclesWanted, switchView } from './switch-view';

/** Cycles counted against the gauge: where a switch makes, and where it breaks. */
export const switchingStep: StepBehaviour<'switching'> = {
  maySkip: false,
  fold: (run, step, event) => {
    if (event.type !== 'switched') return undefined;
    const mark: SwitchMark = {
      eventId: event.id,
      edge: event.edge,
      cycle: event.cycle,
      pressure: event.reading.si,
      atMs: event.at_ms,
    };
    const marks = [...recordOf(run, step).marks, mark];
    return { record: { kind: 'switching', marks }, marks: bandMarks(run, marks, mark) };
  },
  asks: (run, step) =>
    step.purpose === 'setting'
      ? { guard: 'band_holds', ...metWhen(switchView(run, step).holds) }
      : {
          guard: 'switch_cycles',
          ...atLeast(switchCycles(run, step.id).length, switchCyclesWanted(run, step)),
        },
  prompt: switchingPrompt,
  carryOut: markCycles,
};

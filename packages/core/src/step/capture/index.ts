import type { StepBehaviour } from '../behaviour';
import { atLeast } from '../guard-names';
import { recordOf } from '../run-state';
import { captureView } from './capture-view';
import { isWhole } from './captures';
import { captureByEye } from './carry-out';
import { notInLog } from './log-held';
import { crackingProofs } from './proofs';
import { capturePrompt } from './prompt';
import { filesWith, marksOfLog, withMark } from './take-mark';

/** A relief opened and shut while its pressures are marked, or read from a log. */
export const captureStep: StepBehaviour<'capture'> = {
  maySkip: true,
  proves: crackingProofs,
  fold: (run, step, event) => {
    const record = recordOf(run, step);
    if (event.type === 'marked')
      return { record: { ...record, marks: withMark(record.marks, event) } };
    if (event.type !== 'log_taken') return undefined;
    const marks = [...record.marks, ...marksOfLog(event, record.marks)];
    return { record: { ...record, marks, log: event.samples, ...filesWith(record, event) } };
  },
  refuses: (run, step, draft) =>
    draft.type === 'log_taken' ? notInLog(draft, run.gauges[step.role]) : undefined,
  asks: (run, step) => {
    const { cycles, wanted } = captureView(run, step);
    return { guard: 'cycles_captured', ...atLeast(cycles.filter(isWhole).length, wanted) };
  },
  // At full flow the line is let down again; tight shut, it is raised for the next cycle by hand.
  // A mark that is moved on paper moves nothing on the line.
  moves: ({ ramp }, event) =>
    event.type === 'marked' && !event.replaces
      ? [event.mark === 'cracked' ? ramp.up : ramp.down]
      : [],
  prompt: capturePrompt,
  carryOut: captureByEye,
};

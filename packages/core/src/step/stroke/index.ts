import { confirm, type StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { notProved, proofOf } from '../proof';
import { registersOf, runTask } from '../registers/ask-line';
import { strokeVerdict } from './stroke-verdict';

/** Both ends of an actuator's stroke, found by itself. */
export const strokeStep: StepBehaviour<'stroke'> = {
  maySkip: false,
  proves: (run, step) => {
    const verdict = strokeVerdict(run);
    const subject = { proof: 'stroke', step } as const;
    return [verdict === undefined ? notProved(subject) : proofOf(subject, verdict === 'whole')];
  },
  fold: (_, __, event) =>
    event.type === 'stroked'
      ? {
          record: {
            kind: 'stroke',
            stroke: { closed: event.closed, open: event.open, seconds: event.seconds },
          },
        }
      : undefined,
  asks: (run) => ({ guard: 'stroke_found', ...metWhen(strokeVerdict(run) === 'whole') }),
  moves: (_, event) => (event.type === 'stroked' ? [{ stroked: 'yes' }] : []),
  carryOut: (hand, step) => {
    if (!runTask(hand, 'start_stroke')) return false;
    const { read } = registersOf(hand.line());
    const [closed, open] = [read('closed_counts'), read('open_counts')];
    const seconds = read('stroke_time');
    hand.add({ type: 'stroked', step_id: step.id, closed, open, seconds, source: 'linked' });
    hand.wait(2);
    return confirm(hand, step);
  },
};

import { confirm, type StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { registersOf, runTask } from '../registers/ask-line';
import { selfTuningOf, tuneIsDue } from './trim-now';

/** A unit that tunes itself, where valve or trim have changed. */
export const selfTuneStep: StepBehaviour<'self_tune'> = {
  maySkip: true,
  fold: (_, __, event) => {
    if (event.type !== 'self_tuned') return undefined;
    const { period_s, amplitude, gain, integral_s } = event;
    return { record: { kind: 'self_tune', tuning: { period_s, amplitude, gain, integral_s } } };
  },
  asks: (run) => ({
    guard: 'tuned_for_trim',
    ...metWhen(selfTuningOf(run) !== undefined || !tuneIsDue(run)),
  }),
  moves: (_, event) =>
    event.type === 'self_tuned'
      ? [{ gain: String(event.gain), integral_time: String(event.integral_s), mode: '0' }]
      : [],
  carryOut: (hand, step) => {
    if (tuneIsDue(hand.run)) {
      if (!runTask(hand, 'start_tune')) return false;
      const { read } = registersOf(hand.line());
      hand.add({
        type: 'self_tuned',
        step_id: step.id,
        period_s: read('tune_period'),
        amplitude: read('tune_amplitude'),
        gain: read('gain'),
        integral_s: read('integral_time'),
        source: 'linked',
      });
    }
    hand.wait(2);
    return confirm(hand, step);
  },
};

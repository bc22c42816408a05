import { confirm, type StepBehaviour } from '../behaviour';
import { noneLeft } from '../guard-names';
import { recordOf } from '../run-state';
import { registersOf } from './ask-line';
import { registersView } from './registers-view';

/** What is keyed into an electronic pilot, read back. */
export const registersStep: StepBehaviour<'registers'> = {
  maySkip: true,
  fold: (run, step, event) => {
    if (event.type !== 'register_set') return undefined;
    const { register, value, source, at_ms: atMs } = event;
    const held = { ...recordOf(run, step).held, [register]: { value, source, atMs } };
    return { record: { kind: 'registers', held } };
  },
  asks: (run, step) => {
    const left = registersView(run, step, run.lastAtMs).filter(({ isRight }) => !isRight);
    return { guard: 'registers_right', ...noneLeft(left.length) };
  },
  moves: (_, event) =>
    event.type === 'register_set' ? [{ [event.register]: String(event.value) }] : [],
  carryOut: (hand, step) => {
    const { read, write } = registersOf(hand.line());
    for (const { key, wanted } of registersView(hand.run, step, hand.run.lastAtMs)) {
      write(key, wanted);
      hand.wait(1);
      const value = read(key);
      hand.add({ type: 'register_set', step_id: step.id, register: key, value, source: 'linked' });
    }
    hand.wait(2);
    return confirm(hand, step);
  },
};

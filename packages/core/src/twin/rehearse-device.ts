import { fromCounts, parseReply, registerOf, toCounts, type RegisterKey } from '../device';
import { terminalKey, terminals, type Step } from '../procedure';
import { unwrap } from '../result';
import { registersView, tuneIsDue } from '../run';
import type { Hand } from './hand';
import { PilotDevice } from './pilot-device';

const LONGEST = 900;

/** Carries out a step at the unit’s own registers, as a link would; false for a step of another kind. */
export function workDevice(hand: Hand, step: Step): boolean {
  const device = new PilotDevice(hand.twin);
  const ask = (line: string, key: RegisterKey) => unwrap(parseReply(device.ask(line), registerOf(key)))[0]!;
  const read = (key: RegisterKey) =>
    fromCounts(registerOf(key), ask(`R ${registerOf(key).address}`, key));
  const live = (seconds: number) => {
    device.advance(seconds);
    hand.twin = device.twin;
  };
  /** Starts a task and waits until it is done; false when the unit gives up. */
  const task = (key: RegisterKey) => {
    ask(`W ${registerOf(key).address} 1`, key);
    for (let waited = 0; waited < LONGEST; waited += 1) {
      live(1);
      if (read('state') === 3) return true;
      if (read('state') === 9) return false;
    }
    return false;
  };
  switch (step.kind) {
    case 'terminals':
      for (const { id } of terminals) hand.add({ type: 'observed', key: terminalKey(id), value: 'right' });
      break;
    case 'registers': {
      const nowMs = hand.run.lastAtMs;
      for (const { key, wanted } of registersView(hand.run, step, nowMs)) {
        const register = registerOf(key);
        const counts = unwrap(toCounts(register, wanted));
        ask(`W ${register.address} ${counts}`, key);
        live(1);
        hand.add({ type: 'register_set', step_id: step.id, register: key, value: read(key), source: 'linked' });
      }
      break;
    }
    case 'stroke':
      if (!task('start_stroke')) return false;
      hand.add({ type: 'stroked', step_id: step.id, closed: read('closed_counts'), open: read('open_counts'), seconds: read('stroke_time'), source: 'linked' });
      break;
    case 'self_tune':
      if (!tuneIsDue(hand.run)) break;
      if (!task('start_tune')) return false;
      hand.add({ type: 'self_tuned', step_id: step.id, period_s: read('tune_period'), amplitude: read('tune_amplitude'), gain: read('gain'), integral_s: read('integral_time'), source: 'linked' });
      break;
    default:
      return false;
  }
  hand.twin = device.twin;
  hand.wait(2);
  hand.add({ type: 'step_done', step_id: step.id });
  return true;
} // prettier-ignore

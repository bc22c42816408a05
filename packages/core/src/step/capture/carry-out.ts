import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import type { StepOf } from '../shapes';
import { captureView } from './capture-view';
import { DRIBBLE, markNow, TIGHT } from './take-mark';

/** Up until it cracks and on to full flow, down until it is tight, as often as is asked for. */
export function captureByEye(hand: Hand, step: StepOf<'capture'>): boolean {
  const { up, down } = step.ramp;
  const lift = () => hand.look().opening;
  const until = (seen: () => boolean) => {
    for (let i = 0; i < 600 && !seen(); i++) hand.wait(0.5);
    return seen();
  };
  hand.act(down);
  until(() => lift() < TIGHT);
  for (let cycle = 1; cycle < 30; cycle++) {
    const { isEnough, move } = captureView(hand.run, step);
    if (isEnough) {
      if (move === undefined || !('turns' in move)) break;
      hand.turn(step.adjuster, move.turns);
      hand.wait(2);
    }
    hand.act(up);
    if (!until(() => lift() > DRIBBLE)) break;
    markNow(hand, step, 'cracked', cycle);
    hand.wait(12);
    markNow(hand, step, 'full_flow', cycle);
    hand.act(down);
    if (!until(() => lift() < TIGHT)) break;
    markNow(hand, step, 'reseated', cycle);
    hand.wait(20);
  }
  return confirm(hand, step);
}

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
    if (!until(() => lift() > DRIBBLE || isPastLimit(hand, step)) || lift() <= DRIBBLE)
      return giveUp(hand, step, `Did not open up to ${limitWords(hand, step)}`);
    markNow(hand, step, 'cracked', cycle);
    hand.wait(12);
    markNow(hand, step, 'full_flow', cycle);
    hand.act(down);
    if (!until(() => lift() < TIGHT))
      return giveUp(hand, step, 'Opened, and did not shut tight again');
    markNow(hand, step, 'reseated', cycle);
    hand.wait(20);
  }
  return confirm(hand, step);
}

/** As found, nobody knows where it opens: the line goes no further than it may, whatever the valve does. */
const isPastLimit = (hand: Hand, step: StepOf<'capture'>): boolean => {
  if (step.purpose !== 'as_found') return false;
  const { stand } = captureView(hand.run, step);
  return stand.sign * hand.read(step.role).si >= stand.sign * stand.target.limit_pa;
};

const limitWords = (hand: Hand, step: StepOf<'capture'>): string => {
  const { target } = captureView(hand.run, step).stand;
  return `${Math.round(target.limit_pa / 1000)} kPa`;
};

/** Let down again. As found that is what there is to know; later on its cycles are missing. */
function giveUp(hand: Hand, step: StepOf<'capture'>, reason: string): boolean {
  hand.act(step.ramp.down);
  if (step.purpose !== 'as_found') return confirm(hand, step);
  hand.add({ type: 'step_skipped', step_id: step.id, reason });
  return true;
}

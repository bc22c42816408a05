import { confirm, type StepBehaviour } from '../behaviour';
import { crackedAt } from '../capture/captures';
import { DRIBBLE, markNow, withMark } from '../capture/take-mark';
import { metWhen } from '../guard-names';
import { recordOf } from '../run-state';
import { searchPrompt } from './prompt';
import { searchView } from './search-view';

const MOST_MOVES = 40;

/** A relief lowered until it is seen to crack. */
export const searchStep: StepBehaviour<'search'> = {
  maySkip: false,
  fold: (run, step, event) =>
    event.type === 'marked'
      ? { record: { kind: 'search', marks: withMark(recordOf(run, step).marks, event) } }
      : undefined,
  asks: (run, step) => ({
    guard: 'has_cracked',
    ...metWhen(crackedAt(run, step.id) !== undefined),
  }),
  prompt: searchPrompt,
  carryOut: (hand, step) => {
    const dribbles = () => hand.look().opening > DRIBBLE;
    for (let i = 0; i < MOST_MOVES && !dribbles(); i++) {
      const { move } = searchView(hand.run, step);
      if (!move || !('turns' in move)) return false;
      hand.turn(step.adjuster, move.turns);
      hand.wait(8);
    }
    if (!dribbles()) return false;
    markNow(hand, step, 'cracked', 1);
    return confirm(hand, step);
  },
};

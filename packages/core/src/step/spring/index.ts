import { gaugePa } from '../../quantity';
import { chooseSpring } from '../../valve';
import { confirm, type StepBehaviour } from '../behaviour';
import { metWhen } from '../guard-names';
import { springNow } from './spring-now';

/** A spring of the chart in which the target lies. */
export const springStep: StepBehaviour<'spring'> = {
  maySkip: true,
  opensByEntry: true,
  fold: (_, __, event) =>
    event.type === 'spring_changed'
      ? {
          record: { kind: 'spring' },
          spring: { adjuster: event.adjuster, colour: event.colour },
          opens: true,
        }
      : undefined,
  asks: (run, step) => {
    const { plate, target } = run.started;
    const choice = chooseSpring(plate.springs, gaugePa(Math.abs(target.set_point_pa)));
    const now = springNow(run, step.adjuster);
    const isRight = choice.ok && choice.value.some(({ spring }) => spring.colour === now);
    return { guard: 'right_spring', ...metWhen(isRight) };
  },
  moves: (_, event) =>
    event.type === 'spring_changed' ? [{ [`spring_${event.adjuster}`]: event.colour }] : [],
  carryOut: (hand, step) => {
    const { plate, target } = hand.run.started;
    const choice = chooseSpring(plate.springs, gaugePa(Math.abs(target.set_point_pa)));
    const right = choice.ok ? choice.value[0]!.spring.colour : plate.fitted_spring;
    if (right !== plate.fitted_spring) {
      const { adjuster } = step;
      hand.add({ type: 'spring_changed', step_id: step.id, adjuster, colour: right });
      hand.act({ [`spring_${adjuster}`]: right });
    }
    return confirm(hand, step);
  },
};

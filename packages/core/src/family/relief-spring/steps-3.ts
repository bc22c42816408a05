import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { asFoundPop } from '../shared/as-found-pop';
import { springReliefProcedure2 } from './steps-2';

const { steps, ...rest } = springReliefProcedure2;

/** Version 3: the valve is popped once as it was found, while the machine still runs as it ran. */
export const springReliefProcedure3: Procedure = {
  ...rest,
  version: 3,
  steps: amend(steps, [
    {
      after: 'throttle_there',
      add: asFoundPop({
        ramp: { up: { throttle: 0 }, down: { throttle: 1 } },
        say: 'Shut the throttle slowly until it pops, then open it',
        most: '{corrected_max}',
        hazard: 'hot_air_or_steam',
      }),
    },
  ]),
};

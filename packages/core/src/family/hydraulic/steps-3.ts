import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { backInCharge, protectionStep } from '../shared/protection';
import { hydraulicProcedure2 } from './steps-2';

const { steps, ...rest } = hydraulicProcedure2;

/** The last step at which something is set, locked or read: from then on every limiter stands as it will be left. */
const LAST_SET = steps.findLast(({ phase }) => phase === 'set' || phase === 'lock')!.id;

/** Version 3: what protects the pump while its compensator is parked up is asked, and open until it is set. */
export const hydraulicProcedure3: Procedure = {
  ...rest,
  version: 3,
  steps: amend(steps, [
    {
      after: 'at_zero',
      add: [
        {
          ...protectionStep({
            limiter: 'Compensator',
            choices: [
              { value: 'main_relief', say: 'The main relief, parked low' },
              { value: 'other_relief', say: 'Another relief valve at the pump' },
              { value: 'by_hand', say: 'A person at the gauge and the pump’s switch' },
            ],
          }),
          when: 'has_compensator',
        },
      ],
    },
    {
      after: LAST_SET,
      add: [
        {
          ...backInCharge('Compensator set and locked: it protects the pump again'),
          when: 'has_compensator',
        },
      ],
    },
  ]),
};

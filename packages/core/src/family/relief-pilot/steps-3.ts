import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { asFoundPop } from '../shared/as-found-pop';
import { pilotReliefProcedure2 } from './steps-2';

const { steps, ...rest } = pilotReliefProcedure2;

/** Version 3: where the line can be raised, the valve is opened once as it was found. */
export const pilotReliefProcedure3: Procedure = {
  ...rest,
  version: 3,
  steps: amend(steps, [
    { change: 'as_found_crack', to: { school: 'count_turns' } },
    {
      after: 'fit_gauges',
      add: [
        ...asFoundPop({
          school: 'raise_line',
          ramp: { up: { line: 'over' }, down: { line: 'working' } },
          say: 'Raise the line slowly until it opens, then let down',
          most: '{limit}',
          hazard: 'water_discharge',
        }),
        {
          id: 'as_found_told',
          phase: 'ready',
          kind: 'ask',
          school: 'raise_line',
          onlyIf: { key: 'as_found_may', value: 'no' },
          say: 'Has it been seen to open, and at what pressure?',
          asks: {
            key: 'as_found_main',
            kind: 'pressure',
            label: 'Opened at',
            optional: true,
            hint: 'Leave it empty when nobody knows.',
          },
        },
      ],
    },
  ]),
};

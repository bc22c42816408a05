import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { backInCharge, protectionStep } from '../shared/protection';
import { pilotReliefProcedure } from './steps';

const { steps, ...rest } = pilotReliefProcedure;

/** Version 2: what protects the line meanwhile is asked, and the inlet is shut before it is slowly opened. */
export const pilotReliefProcedure2: Procedure = {
  ...rest,
  version: 2,
  steps: amend(steps, [
    {
      after: 'discharge_path',
      add: [
        protectionStep({
          limiter: 'Relief valve',
          choices: [
            { value: 'other_relief', say: 'Another relief valve on the line' },
            { value: 'shut_off_head', say: 'The pump cannot reach a rating, even shut off' },
            { value: 'by_hand', say: 'A person at the gauge and the pump’s switch' },
          ],
        }),
      ],
    },
    {
      after: 'as_found_crack',
      add: [
        {
          id: 'inlet_shut',
          phase: 'line_up',
          kind: 'act',
          say: 'Main inlet isolator shut',
          why: 'So that it can come on slowly, with the adjuster parked.',
          does: { inlet_isolator: 0 },
          makes: [
            {
              id: 'inlet_isolator',
              say: 'Relief valve shut off from its line',
              putBack: 'Inlet isolator open, locked open where it has a lock',
              restores: { inlet_isolator: 1 },
            },
          ],
        },
      ],
    },
    { change: 'inlet_open', to: { closes: ['inlet_isolator'] } },
    {
      after: 'as_left_cycle',
      add: [backInCharge('Inlet open, nut tight: the relief valve protects the line again')],
    },
  ]),
};

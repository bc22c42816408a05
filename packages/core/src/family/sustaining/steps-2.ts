import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { sustainingProcedure } from './steps';

const { steps, ...rest } = sustainingProcedure;

/**
 * Version 2: a pump never runs against a shut valve. It rests while the valve is held shut, the outlets
 * are open before it starts, and automatic comes at once. Sustaining is locked and read before reducing.
 */
export const sustainingProcedure2: Procedure = {
  ...rest,
  version: 2,
  steps: amend(steps, [
    {
      after: 'bleed',
      add: [
        {
          id: 'pump_off',
          phase: 'line_up',
          kind: 'act',
          say: 'Pump off before the valve is held shut',
          why: 'A pump against a shut valve heats its water and can wreck itself.',
          does: { pump: 'off' },
          makes: [
            {
              id: 'pump',
              say: 'Pump stopped for the job',
              putBack: 'Pump running, or as it was found',
              restores: { pump: 'on' },
            },
          ],
        },
      ],
    },
    {
      change: 'park_main',
      to: {
        say: 'Selector to close and held there; sustaining adjuster fully up',
      },
    },
    {
      move: ['outlets_normal', 'overdemand', 'outlets_open', 'pump_on', 'automatic'],
      after: 'park_reducing',
    },
    {
      change: 'overdemand',
      to: {
        say: 'Open the outlets first: {overdemand} times as many as in normal work',
        why:
          'Water must have somewhere to go before the pump starts, and the valve is in control ' +
          'only while demand is greater than the supply.',
      },
    },
    {
      change: 'pump_on',
      to: {
        say: 'Outlets open: now pump on',
        closes: ['pump'],
        why: 'Automatic follows at once.',
      },
    },
    {
      change: 'automatic',
      to: {
        say: 'Selector to automatic, at once',
        why: 'The pump is not left against a shut valve.',
      },
    },
    // Nothing is set on top of a sustaining pilot that may still move.
    { move: ['lock_main', 'as_left'], after: 'come_down', phase: 'set' },
    { move: ['lock_reducing', 'as_left_reducing'], after: 'come_up', phase: 'set' },
    { drop: ['small_again'] },
    {
      change: 'overdemand_again',
      to: { when: 'combined' },
    },
  ]),
};

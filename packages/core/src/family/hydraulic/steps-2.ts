import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { hydraulicProcedure } from './steps';

const { steps, ...rest } = hydraulicProcedure;

/**
 * Version 2: no line is opened that was not dead and proven so. Each adjuster is set, locked and read
 * while it rules the gauge, the compensator last of all; nothing is turned, or overridden, again.
 */
export const hydraulicProcedure2: Procedure = {
  ...rest,
  version: 2,
  steps: amend(steps, [
    {
      after: 'permit',
      add: [
        {
          id: 'dead',
          phase: 'ready',
          kind: 'act',
          say: 'Pump off and locked; loads down or held; accumulators shut off and bled',
          why: 'Oil that is shut in keeps its pressure for days.',
          caution: {
            hazard: 'stored_pressure',
            say: 'Nothing is loosened before a gauge has shown zero. A part of the system may still stand under pressure.',
          },
          makes: [
            {
              id: 'locked_off',
              say: 'Pump locked off, accumulators shut',
              putBack: 'Pump unlocked, accumulators open, guards on',
            },
          ],
        },
        {
          id: 'at_zero',
          phase: 'ready',
          kind: 'check',
          say: 'Every gauge at zero, valves worked by hand to let go what is shut in',
          fails: 'Pressure stays in a line',
        },
      ],
    },
    {
      change: 'isolate',
      to: {
        say: 'Isolate between the cross-ports and the motor',
        why:
          'Behind the cross-ports, or they cannot be set. By a hand valve, or lines disconnected ' +
          'and plugged; the motor must not be able to turn.',
      },
    },
    {
      after: 'isolate',
      add: [
        {
          id: 'energise',
          phase: 'ready',
          kind: 'ask',
          when: 'has_cross_ports',
          say: 'Who shifts the directional valve, and how?',
          asks: {
            key: 'energised_by',
            kind: 'choice',
            label: 'The directional valve is shifted',
            choices: [
              { value: 'electrically', say: 'Electrically, from its control' },
              { value: 'by_hand', say: 'By its hand override' },
            ],
          },
        },
        {
          id: 'running',
          phase: 'ready',
          kind: 'act',
          say: 'Everybody clear: pump on',
          why: 'Against the isolated line: the lowest setting rules the gauge.',
          caution: {
            hazard: 'moving_parts',
            say: 'Lines are tight and plugged, nobody stands in line with a fitting.',
          },
          closes: ['locked_off'],
        },
      ],
    },
    {
      change: 'park_main',
      to: {
        why: 'Never off its spring: wiggle the screw as it comes down, and feel for the spring’s end.',
      },
    },
    { move: ['lock_main', 'as_left'], after: 'set_main', phase: 'set' },
    { move: ['lock_cross_a', 'as_left_a'], after: 'set_cross_a', phase: 'set' },
    { move: ['lock_cross_b', 'as_left_b'], after: 'set_cross_b', phase: 'set' },
    { drop: ['over_main', 'left_a', 'left_b'] },
  ]),
};

import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { controllerProcedure } from './steps';

const { steps, ...rest } = controllerProcedure;

/**
 * Version 2: the supply is read before anything is judged by it; two right angles are looked at; the lock of
 * the zero screw is an open end, tight before the points that count; the band stands at 100 % before the
 * response is judged.
 */
export const controllerProcedure2: Procedure = {
  ...rest,
  version: 2,
  steps: amend(steps, [
    {
      after: 'cover_off',
      add: [
        {
          id: 'air_supply',
          phase: 'ready',
          kind: 'ask',
          say: 'What does its own supply gauge show?',
          why: 'Too low, and the top of the output is never reached: every fault looks like another.',
          asks: {
            key: 'air_supply',
            kind: 'pressure',
            label: 'Supply to the controller',
            optional: true,
            hint: 'As its plate asks, or set right before going on.',
          },
        },
      ],
    },
    {
      after: 'as_found',
      add: [
        {
          id: 'right_angles',
          phase: 'park',
          kind: 'check',
          say: 'At mid-scale two right angles: drive lever to link, link to driven lever',
          why: 'One alone does not do: the ends cannot both be right. Where one is missing, angularity brings it.',
        },
        {
          id: 'zero_loose',
          phase: 'park',
          kind: 'act',
          say: 'Lock of the zero screw loose, as much as it takes to turn',
          why: 'A little friction stays, or the pointer slips when it is tapped.',
          makes: [
            {
              id: 'zero_lock',
              say: 'Lock of the zero screw loose',
              putBack: 'Lock of the zero screw tight',
            },
          ],
        },
      ],
    },
    {
      after: 'indication',
      add: [
        {
          id: 'zero_tight',
          phase: 'set',
          kind: 'act',
          say: 'Locks of zero and link tight',
          why: 'They drag the pointer: the points that count are read after this.',
          closes: ['zero_lock'],
        },
      ],
    },
    {
      change: 'reset_shut',
      to: {
        why: 'With reset shut, only the band can move the output. Its valve turns one way from open to shut, and not beyond.',
      },
    },
    {
      after: 'reset_open',
      add: [
        {
          id: 'band_wide',
          phase: 'prove',
          kind: 'act',
          say: 'Band at 100 %',
          why: 'A narrow band runs to its ends whatever else is wrong.',
        },
      ],
    },
    {
      change: 'tune',
      to: {
        why:
          'Where it has no manual mode, a closed loop tells: the set pointer moved by 5 %, the band ' +
          'narrowed until it just does not swing.',
      },
    },
  ]),
};

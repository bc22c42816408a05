import type { Procedure } from '../../step';
import type { AnyPlate } from '../../valve';
import { amend } from '../shared/amend';
import type { PositionerPlate } from './plate';
import { positionerProcedure } from './steps';

const { steps, ...rest } = positionerProcedure;

/**
 * Version 2: which zero screw, and what full signal means, are said before the first turn; a converter is
 * tried by itself; air off is an open end, and the valve strokes once after it is back.
 */
export const positionerProcedure2: Procedure = {
  ...rest,
  version: 2,
  conditions: { converter: (plate: AnyPlate) => (plate as PositionerPlate).converter === true },
  steps: amend(steps, [
    {
      after: 'supply_right',
      add: [
        {
          id: 'air_dry',
          phase: 'ready',
          kind: 'check',
          say: 'Filter drained: no water, no oil in the air',
          why: 'Water in the air sticks the nozzle, and comes back after every cure.',
        },
        {
          id: 'converter_low',
          phase: 'ready',
          kind: 'ask',
          when: 'converter',
          say: 'What does the converter give at the low end of its signal?',
          why: 'Its own error is found before the positioner is blamed for it.',
          asks: {
            key: 'converter_low',
            kind: 'pressure',
            label: 'Converter at the low end',
            optional: true,
          },
        },
        {
          id: 'converter_high',
          phase: 'ready',
          kind: 'ask',
          when: 'converter',
          say: 'And at the high end?',
          asks: {
            key: 'converter_high',
            kind: 'pressure',
            label: 'Converter at the high end',
            optional: true,
          },
        },
      ],
    },
    {
      after: 'arm_middle',
      add: [
        {
          id: 'which_zero',
          phase: 'park',
          kind: 'ask',
          say: 'Which zero screw is turned?',
          why: 'Where there are two, only one of them, and the same one to the end.',
          asks: {
            key: 'zero_screw',
            kind: 'choice',
            label: 'Zero set by',
            choices: [
              { value: 'outside', say: 'The screw outside' },
              { value: 'inside', say: 'The screw inside, under the cover' },
              { value: 'nozzle', say: 'The nozzle' },
            ],
          },
        },
      ],
    },
    {
      change: 'zero_span',
      to: { why: 'Within {tolerance_span} of span. Full signal is the valve {full_means}.' },
    },
    {
      change: 'end_points',
      to: {
        stops: true,
        why:
          'The output must begin within the first {signal_ends} of the signal, and reach the supply ' +
          'within the last {signal_ends}. A range arm is loosened, moved to the smaller or larger figure on its scale, and tightened. ' +
          'Full signal is the valve {full_means}.',
      },
    },
    {
      change: 'no_air',
      to: {
        makes: [{ id: 'air', say: 'Air supply shut off', putBack: 'Air supply on, slowly' }],
      },
    },
    {
      after: 'no_air',
      add: [
        {
          id: 'air_back',
          phase: 'prove',
          kind: 'act',
          say: 'Air on again, slowly',
          closes: ['air'],
          caution: { hazard: 'moving_parts', say: 'It moves as soon as there is air.' },
        },
        {
          id: 'stroke_once',
          phase: 'prove',
          kind: 'check',
          say: 'One stroke from end to end: it follows, and stops where it did',
          why: 'What let go when the air went must come back to where it was.',
          fails: 'Does not come back to its ends after the air was off',
        },
      ],
    },
  ]),
};

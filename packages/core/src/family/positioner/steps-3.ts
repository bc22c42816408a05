import type { Procedure } from '../../step';
import { armScaleOf, type AnyPlate } from '../../valve';
import { amend } from '../shared/amend';
import { positionerProcedure2 } from './steps-2';

const { steps, conditions, ...rest } = positionerProcedure2;

/**
 * Version 3: a range arm that slides along a scale is asked where it stands, and set by its figure: loosened,
 * slid to a smaller or a larger one, tightened. Elsewhere its span stays a screw.
 */
export const positionerProcedure3: Procedure = {
  ...rest,
  version: 3,
  conditions: { ...conditions, range_arm: (plate: AnyPlate) => armScaleOf(plate) !== undefined },
  steps: amend(steps, [
    {
      after: 'cover_off',
      add: [
        {
          id: 'range_arm',
          phase: 'park',
          kind: 'ask',
          when: 'range_arm',
          say: 'At what figure of its scale does the range arm stand?',
          why: 'On the {action} side of its shaft. As found: it is slid from there, to a smaller or a larger figure.',
          asks: {
            key: 'range_arm',
            kind: 'count',
            label: 'Range arm as found',
            hint: 'Where its edge crosses the scale, to a quarter of a mark.',
          },
        },
      ],
    },
    { change: 'arm_middle', to: { unless: 'range_arm' } },
    {
      change: 'end_points',
      to: {
        why:
          'The output must begin within the first {signal_ends} of the signal, and reach the supply ' +
          'within the last {signal_ends}. Full signal is the valve {full_means}.',
      },
    },
  ]),
};

import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { springReliefProcedure } from './steps';

const { steps, ...rest } = springReliefProcedure;

/**
 * Version 2: a spring that is changed leaves an end of its own, the retaining nut on the post: left on,
 * it makes a dead safety valve. The disc is seen to lift before the machine runs.
 */
export const springReliefProcedure2: Procedure = {
  ...rest,
  version: 2,
  steps: amend(steps, [
    {
      change: 'machine_figure',
      to: {
        why:
          'Ask the maker by the serial number and model on its plate. The plate says {machine_max} in ' +
          'standard air. Without a figure for here, the smaller of plate and estimate is the most: {corrected_max}.',
      },
    },
    {
      change: 'spring',
      to: {
        why:
          'To change it: caps off, spring unloaded. The small retaining nut goes on the post, on the ' +
          'disc’s side, before the cover is opened. Guide disc off and on with the spring pressed ' +
          'together; screwed down about 6 mm past its first thread. Cover’s guide aligned. The nut comes ' +
          'off before the cover is closed.',
        makes: [
          {
            id: 'retaining_nut',
            say: 'Retaining nut on the post: the valve cannot lift',
            putBack: 'Retaining nut off the post, put by',
          },
        ],
      },
    },
    {
      after: 'spring',
      add: [
        {
          id: 'disc_free',
          phase: 'line_up',
          kind: 'check',
          say: 'Retaining nut off the post; the disc lifts freely by hand',
          why: 'A nut left on makes a dead safety valve.',
          fails: 'The disc does not lift: nut on the post, or guide not seated',
          closes: ['retaining_nut'],
        },
      ],
    },
  ]),
};

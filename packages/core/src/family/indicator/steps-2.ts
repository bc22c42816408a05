import type { Procedure } from '../../step';
import { amend } from '../shared/amend';
import { indicatorProcedure } from './steps';

const { steps, ...rest } = indicatorProcedure;

/** Version 2: both right angles are named, the nut that gives and the friction that stays; locks tight before the points that count. */
export const indicatorProcedure2: Procedure = {
  ...rest,
  version: 2,
  steps: amend(steps, [
    {
      change: 'square',
      to: {
        say: '{target} in: two right angles, drive lever to link and link to driven lever',
        why: 'At mid-scale both, or the ends cannot both be right. One alone does not do.',
      },
    },
    { drop: ['lock_screws'] },
    {
      after: 'square',
      add: [
        {
          id: 'nut_gives',
          phase: 'park',
          kind: 'act',
          say: 'The link’s nut loose enough to slide, the levers’ screws tight',
          why: 'Only what is to give gives; a little friction stays, or it slips when it is tapped.',
          makes: [
            { id: 'link_nut', say: 'Nut of the link loose', putBack: 'Nut of the link tight' },
          ],
        },
      ],
    },
    {
      after: 'three_points',
      add: [
        {
          id: 'locks_tight',
          phase: 'set',
          kind: 'act',
          say: 'Nut of the link and lock screws tight',
          why: 'They drag the pointer: the points that count are read after this.',
          closes: ['link_nut'],
        },
      ],
    },
  ]),
};

import { familyName } from '@holvek/core';
import type { PaperPage } from '@holvek/paper';
import type { HandOfFamily } from './hand-log';

/** What a hand has practised, on paper: for whoever it is given to, and no licence. */
export const certificateOf = (
  name: string,
  kinds: readonly HandOfFamily[],
  day: string,
): PaperPage => ({
  title: `Practice of ${name}`,
  under: `as kept on this phone on ${day}`,
  blocks: [
    {
      kind: 'table',
      title: 'By kind of valve',
      head: ['Kind', 'runs', 'points', 'moves', 'faults found', 'limit passed'],
      rows: [...kinds]
        .sort((a, b) => b.points - a.points)
        .map(({ family, runs, points, moves, faulty, found, pastLimit }) => ({
          cells: [
            familyName[family],
            String(runs),
            String(Math.round(points)),
            moves.toFixed(1),
            faulty === 0 ? 'none hidden' : `${found} of ${faulty}`,
            pastLimit === 0 ? 'never' : `${pastLimit} ×`,
          ],
        })),
    },
    {
      kind: 'words',
      title: 'How to read it',
      lines: [
        { text: 'Points are those of the last five runs of a kind, 100 being the master’s.' },
        { text: 'Moves are turned for each one that the master turns.' },
        { text: 'A fault counts as found when it was named after checks that could tell it.' },
        {
          text: 'All of it was practised on simulated valves. It is no licence, and no record of work.',
          tone: 'work',
        },
      ],
    },
  ],
});

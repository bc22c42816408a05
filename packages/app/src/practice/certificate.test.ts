import { certificateOf } from './certificate';
import type { HandOfFamily } from './hand-log';

const kind = (over: Partial<HandOfFamily>): HandOfFamily => ({
  family: 'reducing',
  runs: 6,
  points: 71.4,
  before: undefined,
  moves: 1.62,
  pastLimit: 0,
  faulty: 0,
  found: 0,
  ...over,
});

describe('a certificate of practice', () => {
  test('tells kind by kind what was practised, the best first, and that it is no licence', () => {
    const kinds = [
      kind({}),
      kind({ family: 'gas', points: 88, faulty: 3, found: 2, pastLimit: 1 }),
    ];
    const { title, blocks } = certificateOf('Tomas Brandt', kinds, '1 Dec 2026');
    expect(title).toBe('Practice of Tomas Brandt');
    const [table, words] = blocks;
    expect(table).toMatchObject({
      rows: [
        { cells: [expect.stringMatching(/gas/iu), '6', '88', '1.6', '2 of 3', '1 ×'] },
        { cells: [expect.any(String), '6', '71', '1.6', 'none hidden', 'never'] },
      ],
    });
    expect(JSON.stringify(words)).toContain('no licence, and no record of work');
  });
});

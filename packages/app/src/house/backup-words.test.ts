import type { BackupState } from '@holvek/core';
import { backupWords, sizeWords } from './backup-words';

const HOUR = 3_600_000;
const now = 500 * HOUR;
const state = (hours: number | undefined, over: Partial<BackupState> = {}): BackupState => ({
  backups:
    hours === undefined
      ? []
      : [{ name: 'b', at_ms: now - hours * HOUR, why: 'daily', bytes: 1, sheets: 3 }],
  is_on: true,
  failed: null,
  ...over,
});

describe('how a house stands with its backups', () => {
  test.each<[string, BackupState, RegExp, boolean]>([
    ['one of this morning', state(5), /5 hours old, restored in a scratch place/u, true],
    ['one at the edge', state(50), /2 days old, restored/u, true],
    ['one that is stale', state(51), /2 days old\. One a day should be made/u, false],
    ['none yet', state(undefined), /None yet/u, true],
    [
      'a failure after a good one',
      state(5, { failed: { at_ms: now, why: 'disk full' } }),
      /came to nothing: disk full/u,
      false,
    ],
    ['somebody else makes them', state(undefined, { is_on: false }), /another way/u, true],
  ])('%s', (_, of, say, isWell) => {
    const said = backupWords(of, now);
    expect(said.say).toMatch(say);
    expect(said.isWell).toBe(isWell);
  });

  test('how large one is', () => {
    expect([900, 840_000, 34_600_000, 1_340_000_000].map(sizeWords)).toEqual([
      '1\u00A0kB',
      '840\u00A0kB',
      '35\u00A0MB',
      '1.3\u00A0GB',
    ]);
  });
});

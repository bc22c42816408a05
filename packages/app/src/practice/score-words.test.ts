import type { Score } from '@holvek/core';
import { faultsSentence, scoreRows, scoreTone } from './score-words';

const score = (over: Partial<Score> = {}): Score => ({
  own: { moves: 7, pastLane: 1, pastLimit: 0 },
  master: { moves: 4, pastLane: 0, pastLimit: 0 },
  leftOpen: 2,
  faults: [],
  hasNoticed: true,
  points: 60,
  ...over,
});

describe('words of a score', () => {
  test('what was counted stands beside the master’s', () => {
    expect(scoreRows(score())).toEqual([
      ['Moves', '7,\u00a0master\u00a04'],
      ['Lane passed', '1 ×'],
      ['Limit passed', 'never'],
      ['Left open', '2'],
    ]);
  });

  test('a fault is named afterwards, and whether the sheet says so', () => {
    expect(faultsSentence(score())).toBe('Nothing was wrong with it.');
    const faults = ['leaking_seat', 'sticking'] as const;
    expect(faultsSentence(score({ faults }))).toMatch(
      /^What was wrong: its seat leaks, and it sticks\. Your sheet says that/u,
    );
    expect(faultsSentence(score({ faults, hasNoticed: false }))).toMatch(/calls it sound\.$/u);
  });

  test('good from 85, still to work on from 60', () => {
    expect([85, 84, 60, 59].map((points) => scoreTone(score({ points })))).toEqual([
      'good',
      'work',
      'work',
      'stop',
    ]);
  });
});

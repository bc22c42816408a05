import type { Score } from '@holvek/core';
import { faultsSentence, foundSentence, moveWords, scoreRows, scoreTone } from './score-words';

const score = (over: Partial<Score> = {}): Score => ({
  own: { moves: 7, pastLane: 1, pastLimit: 0 },
  master: { moves: 4, pastLane: 0, pastLimit: 0 },
  leftOpen: 2,
  faults: [],
  hasNoticed: true,
  found: 'nothing_named',
  ownMoves: [],
  masterMoves: [],
  minutes: 12.4,
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
      ['Minutes', '12'],
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

  test('whether what was named was it, and whether nothing was', () => {
    const said = (over: Partial<Score>) => foundSentence(score(over));
    expect(said({})).toBe('');
    expect(said({ found: 'by_luck', faults: ['sticking'] })).toMatch(/nothing that you asked/u);
    expect(said({ found: 'wrong', faults: ['sticking'] })).toBe('You named something else.');
    expect(said({ found: 'wrong' })).toBe('You named something all the same.');
    expect(said({ found: 'by_evidence' })).toBe('You said so.');
  });

  test('a move with what was read after it', () => {
    const kPa = (pa: number) => String(pa / 1000);
    const plainly = (say: string) => say.replace(/\u00a0/gu, ' ');
    expect(plainly(moveWords({ turns: 1.25, pressure: 480_000 }, kPa))).toBe('cw 1 1/4 → 480');
    expect(plainly(moveWords({ turns: -0.5, pressure: undefined }, kPa))).toBe('ccw 1/2');
    expect(moveWords(undefined, kPa)).toBe('');
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

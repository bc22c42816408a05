import { readTurns } from './other-amount';
import { niceTicks } from '@/ui/nice-ticks';
import { groupBy } from '@/data/group-by';

describe('turns as people type them', () => {
  test.each([
    ['3/8', 0.375],
    ['1 3/8', 1.375],
    [' 2 1/2 ', 2.5],
    ['0.5', 0.5],
    ['0,25', 0.25],
    ['2', 2],
  ])('%s', (text, turns) => {
    expect(readTurns(text)).toBe(turns);
  });
  test.each(['', 'half', '1/', '3/8/2', '-1', '1 2'])('%p is no turn', (text) => {
    expect(readTurns(text)).toBeNaN();
  });
});

describe('ticks', () => {
  test('are round in the unit that is shown', () => {
    expect(niceTicks(0, 726_000, 'kPa', 4).map(({ text }) => text)).toEqual([
      '0',
      '200',
      '400',
      '600',
    ]);
    expect(niceTicks(0, 726_000, 'bar', 4).map(({ text }) => text)).toEqual(['0', '2', '4', '6']);
    expect(niceTicks(0, 90_000, 'bar', 4).map(({ text }) => text)).toEqual(['0.0', '0.5']);
  });
  test('an axis of nothing has none', () => {
    expect(niceTicks(5, 5, 'kPa', 4)).toEqual([]);
    expect(niceTicks(0, Number.NaN, 'kPa', 4)).toEqual([]);
  });
});

describe('groups', () => {
  test('keep the order of first appearance', () => {
    expect([...groupBy([3, 1, 4, 1, 5], (n) => n % 2)]).toEqual([
      [1, [3, 1, 1, 5]],
      [0, [4]],
    ]);
  });
});

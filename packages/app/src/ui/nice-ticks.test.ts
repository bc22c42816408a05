import { niceTicks } from './nice-ticks';

const texts = (low: number, high: number, unit = 'kPa', count = 4) =>
  niceTicks(low, high, unit, count).map(({ text }) => text.replace(/\s/gu, ''));

describe('ticks of a scale', () => {
  test('are round in the unit shown', () => {
    expect(texts(0, 660_000)).toEqual(['0', '200', '400', '600']);
    expect(niceTicks(0, 660_000, 'kPa', 4).map(({ si }) => si)).toEqual([
      0, 200_000, 400_000, 600_000,
    ]);
  });
  test('stay within the bounds', () => {
    for (const { si } of niceTicks(630_000, 1_300_000, 'bar', 5)) {
      expect(si).toBeGreaterThanOrEqual(630_000);
      expect(si).toBeLessThanOrEqual(1_300_001);
    }
  });
  test.each([
    [5, 5],
    [9, 2],
    [Number.NaN, 3],
    [0, Number.POSITIVE_INFINITY],
  ])('there are none from %d to %d', (low, high) => {
    expect(niceTicks(low, high, 'kPa', 4)).toEqual([]);
  });
});

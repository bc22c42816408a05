import { columnWeights, isFigure } from './column-weights';

test.each([
  ['550 ± 10', true],
  ['−0.5 %', true],
  ['+3/8', true],
  ['–', true],
  ['pass, guarded', false],
  ['Scale screw', false],
])('%s is a figure: %s', (text, expected) => expect(isFigure(text)).toBe(expected));

describe('how a table shares out its width', () => {
  test('a figure counts whole, words by their longest', () => {
    const rows = [
      ['Scale screw', '564', '550 ± 10', 'pass, guarded'],
      ['Differential screw', '1 106', '150 ± 12', 'pass'],
    ];
    expect(columnWeights(['adjuster', 'found', 'target', 'verdict'], rows)).toEqual([12, 5, 8, 7]);
  });

  test('a head has its room too, and nothing less than three letters', () => {
    expect(columnWeights(['i', 'uncertainty'], [['1', '2']])).toEqual([3, 0.85 * 11]);
  });
});

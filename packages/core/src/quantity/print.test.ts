import fc from 'fast-check';
import {
  boundFigures,
  decimalsFor,
  printFigure,
  printQuantity,
  printTurns,
  turnFraction,
} from './print';

describe('printing', () => {
  test.each([
    [1_180_000, 'kPa', 1000, '1\u2009180'],
    [416_400, 'kPa', 2000, '416'],
    [416_900, 'kPa', 2000, '416'],
    [417_100, 'kPa', 2000, '418'],
    [210_400, 'bar', 1000, '2.10'],
    [-15_000, 'kPa', 500, '−15.0'],
    [-100, 'kPa', 1000, '0'],
    [417_400, 'kPa', 2500, '417.5'],
    [416_000, 'kPa', 2500, '415.0'],
    [41_740, 'kPa', 250, '41.75'],
    [25_400, 'kPa', 25_000, '25'],
    [249.08, 'inH2O', 2.4908, '1.00'],
  ])('%d Pa in %s to %d is %s', (si, unit, step, text) => {
    expect(printFigure(si, unit, step)).toBe(text);
  });

  test('without a resolution three figures are enough, and idle zeros are left off', () => {
    expect(printQuantity(15_000, 'kPa')).toBe('15 kPa');
    expect(printQuantity(166_499, 'kPa')).toBe('166 kPa');
    expect(printQuantity(0.00359, 'L/s')).toBe('3.59 L/s');
    expect(printQuantity(100_000, 'kPa')).toBe('100 kPa');
  });

  test('what is no number is printed as nothing', () => {
    expect(printFigure(Number.NaN, 'kPa')).toBe('–');
    expect(printFigure(Number.POSITIVE_INFINITY, 'bar')).toBe('–');
  });

  test('decimals follow the step', () => {
    expect([1, 0.5, 0.1, 0.02, 2, 2.5, 0.25, 25, 0, Number.NaN].map(decimalsFor)).toEqual([
      0, 1, 1, 2, 0, 1, 2, 0, 0, 0,
    ]);
  });

  test.each([
    [0.375, '3/8'],
    [1.375, '1 3/8'],
    [-0.5, '1/2'],
    [2, '2'],
    [0.0625, '1/16'],
    [0.03125, '1/32'],
    [0, '0'],
    [0.99, '1'],
  ])('%d turns is %s', (turns, text) => {
    expect(printTurns(turns)).toBe(text);
  });

  test('a fraction is in lowest terms and within half a thirty-second', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 20, noNaN: true }), (turns) => {
        const { whole, numerator, denominator } = turnFraction(turns);
        expect(Math.abs(whole + numerator / denominator - turns)).toBeLessThanOrEqual(
          1 / 64 + 1e-9,
        );
        expect(numerator === 0 || numerator % 2 === 1).toBe(true);
      }),
      { seed: 2 },
    );
  });
});

describe('figures within words that somebody has written', () => {
  const bound = (text: string) => boundFigures(text).replaceAll('\u00a0', '~');

  test.each([
    ['Top hydrant needs 400 kPa.', 'Top hydrant needs 400~kPa.'],
    ['40 is lost at 9 L/s', '40 is lost at 9~L/s'],
    ['1 180 000 Pa, or 1 180 kPa', '1~180~000~Pa, or 1~180~kPa'],
    ['at 5 % and 60 °C, 2 turns', 'at 5~% and 60~°C, 2~turns'],
    ['3 inHg vacuum', '3~inHg vacuum'],
  ])('%s', (text, held) => {
    expect(bound(text)).toBe(held);
  });

  test.each([
    '5 bars of soap',
    '2 people',
    'PRV-12 holds',
    'on 12 May',
    '4 1234',
    'hall 2, 3 m2nd',
  ])('%s has none and stays', (text) => {
    expect(boundFigures(text)).toBe(text);
  });
});

import fc from 'fast-check';
import { unwrap } from '../result';
import { parseQuantity } from './parse';

const pressure = (text: string) => parseQuantity(text, 'pressure', 'kPa');

describe('parseQuantity', () => {
  const golden: readonly [string, number, string][] = [
    ['2.1 bar', 210_000, 'gauge'],
    ['2,1bar', 210_000, 'gauge'],
    ['-15 inHg', -50_795.8, 'gauge'],
    ['−15 inHg', -50_795.8, 'gauge'],
    ['30 psi', 206_842.7, 'gauge'],
    ['416', 416_000, 'gauge'],
    ['1 180', 1_180_000, 'gauge'],
    ['1\u2009180,5', 1_180_500, 'gauge'],
    ['1.180,5 kPa', 1_180_500, 'gauge'],
    ['1,180.5 kPa', 1_180_500, 'gauge'],
    ['12,345,678 Pa', 12_345_678, 'gauge'],
    ['.5 bar', 50_000, 'gauge'],
    ['0,125 bar', 12_500, 'gauge'],
    ['+3 mbar', 300, 'gauge'],
    ['14.7 psia', 101_352.9, 'absolute'],
    ['1 bar abs', 100_000, 'absolute'],
    ['2 bar(g)', 200_000, 'gauge'],
    ['20 inHg vac', 67_727.8, 'vacuum'],
  ];
  test.each(golden)('%s', (text, si, reference) => {
    const value = unwrap(pressure(text));
    expect(Math.abs(value.si - si)).toBeLessThan(0.2);
    expect(value.reference).toBe(reference);
    expect(value.entered.text).toBe(text.trim());
  });

  test.each([
    ['', 'quantity.no_number'],
    ['bar', 'quantity.no_number'],
    ['--5', 'quantity.no_number'],
    ['1,180', 'quantity.ambiguous_number'],
    ['1.2.3', 'quantity.ambiguous_number'],
    ['1,2.3,4', 'quantity.ambiguous_number'],
    ['5 apples', 'quantity.unknown_unit'],
    ['5 L/s', 'quantity.wrong_kind'],
    ['5 °C', 'quantity.wrong_kind'],
  ])('%p is refused as %s', (text, code) => {
    expect(pressure(text)).toMatchObject({ ok: false, error: { code } });
  });

  test('the last digit typed is kept as evidence', () => {
    expect(unwrap(pressure('2.10 bar')).lastDigit).toBeCloseTo(1000, 6);
    expect(unwrap(pressure('416 kPa')).lastDigit).toBe(1000);
  });

  test('only the first forty characters are looked at', () => {
    expect(unwrap(pressure(`416 kPa${' '.repeat(60)}nonsense`)).si).toBe(416_000);
  });

  test('what is printed plainly is read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -99_999, max: 99_999 }),
        fc.constantFrom('kPa', 'bar', 'psi', 'Pa'),
        (n, unit) => {
          const text = `${n / 100} ${unit}`;
          const read = parseQuantity(text, 'pressure', 'kPa');
          if (read.ok) expect(read.value.entered).toEqual({ text, unit });
          expect(read.ok).toBe(true);
        },
      ),
      { seed: 3 },
    );
  });

  test('no text makes it throw or give a number that is none', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const read = pressure(text);
        if (read.ok) expect(Number.isFinite(read.value.si)).toBe(true);
      }),
      { seed: 5, numRuns: 500 },
    );
  });
});

import { STANDARD_ATMOSPHERE } from './atmosphere';
import { absolutePa } from './kinds';
import fc from 'fast-check';
import { unwrap } from '../result';
import {
  parseApart,
  parseDifference,
  parsePressure,
  parseQuantity,
  parseReading,
  unitAndReference,
} from './parse';

const AIR = 101_325;
const pressure = (text: string, unit = 'kPa') => parsePressure(text, unit, absolutePa(AIR));

describe('a pressure as it is written', () => {
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
    ['14.7 psia', 27.9, 'absolute'],
    ['1 bar abs', -1325, 'absolute'],
    ['2 bar(g)', 200_000, 'gauge'],
    ['20 inHg vac', -67_727.8, 'vacuum'],
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
    ['2 1 bar', 'quantity.ambiguous_number'],
    ['1,2.3 bar', 'quantity.ambiguous_number'],
    ['1 1800 kPa', 'quantity.ambiguous_number'],
    ['1,18,500 Pa', 'quantity.ambiguous_number'],
    ['5/0 bar', 'quantity.no_number'],
    ['3 abs', 'quantity.unknown_unit'],
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

  test('more than forty characters are refused, not cut', () => {
    expect(pressure(`416 kPa${' '.repeat(60)}`).ok).toBe(true);
    expect(pressure(`416 kPa${' '.repeat(33)}`).ok).toBe(true);
    expect(pressure(`416${' '.repeat(34)}kPa`)).toMatchObject({ ok: true });
    expect(pressure(`416${' '.repeat(35)}kPa`)).toEqual({
      ok: false,
      error: { code: 'quantity.too_long', length: 41 },
    });
  });

  test.each([
    ['½ bar', 50_000],
    ['3½ bar', 350_000],
    ['3 1/2 bar', 350_000],
    ['４１６ kPa', 416_000],
    ['1e3 Pa', 1000],
    ['1,2e2 kPa', 120_000],
    ['1 atm', 101_325],
    ['760 torr', 101_325],
    ['760 mm Hg', 101_325],
    ['30 in. Hg', 101_591.7],
    ['10 in. w.c.', 2490.8],
    ['10 "wc', 2490.8],
    ['30 lbf/in2', 206_842.7],
    ['30 lbf/in²', 206_842.7],
    ['30 psi gauge', 206_842.7],
    ["1'180 kPa", 1_180_000],
    ['1\u00a0180 kPa', 1_180_000],
  ])('%s is understood', (text, si) => {
    expect(Math.abs(unwrap(pressure(text)).si - si)).toBeLessThan(20);
  });

  test('a unit that is agreed may say what it counts from; what is typed beside the figure wins', () => {
    expect(unwrap(pressure('2', 'bar abs')).si).toBe(200_000 - AIR);
    expect(unwrap(pressure('2 bar', 'psia')).si).toBe(200_000);
    expect(unwrap(parsePressure('14.7 psia', 'kPa', absolutePa(87_000))).si).toBeCloseTo(
      14_352.9,
      0,
    );
    expect(unitAndReference('bar (a)')?.reference).toBe('absolute');
    expect(unitAndReference('L/s')).toBeUndefined();
    expect(unitAndReference('Pa')?.reference).toBe('gauge');
  });

  test('below a perfect vacuum there is nothing', () => {
    expect(pressure('-150 kPa')).toMatchObject({ error: { code: 'quantity.below_absolute_zero' } });
    expect(pressure('-5 psia')).toMatchObject({ error: { code: 'quantity.below_absolute_zero' } });
  });

  test('a difference has no reference', () => {
    expect(unwrap(parseDifference('-0.5 bar', 'kPa')).si).toBe(-50_000);
    for (const [text, reference] of [
      ['2 bara', 'absolute'],
      ['5 inHg vac', 'vacuum'],
    ])
      expect(parseDifference(text!, 'kPa')).toEqual({
        ok: false,
        error: { code: 'quantity.reference_not_wanted', reference },
      });
    expect(unwrap(parseDifference('2 barg', 'kPa')).si).toBe(200_000);
  });

  test('what is printed plainly is read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -99_999, max: 99_999 }),
        fc.constantFrom('kPa', 'bar', 'psi', 'Pa'),
        (n, unit) => {
          const text = `${n / 100} ${unit}`;
          const read = parseDifference(text, 'kPa');
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

describe('what stands on a face', () => {
  test.each([
    ['416', 'kPa', 416_000],
    ['14.7 psia', 'kPa', 27.93],
    ['61.5', '°C', 61.5],
    ['140 °F', '°C', 60],
    ['333.15 K', '°C', 60],
  ])('%s on one in %s', (text, unit, si) => {
    expect(unwrap(parseReading(text, unit, STANDARD_ATMOSPHERE)).si).toBeCloseTo(si, 0);
  });

  test('is of its own kind: degrees on a pressure gauge are refused, and bar on a thermometer', () => {
    expect(parseReading('60 °C', 'kPa', STANDARD_ATMOSPHERE)).toMatchObject({
      error: { code: 'quantity.wrong_kind', got: 'temperature' },
    });
    expect(parseReading('2 bar', '°C', STANDARD_ATMOSPHERE)).toMatchObject({
      error: { code: 'quantity.wrong_kind', got: 'pressure' },
    });
    expect(parseApart('2 bar', '°C')).toMatchObject({ error: { code: 'quantity.wrong_kind' } });
  });

  test.each([
    ['2', '°C', 2],
    ['2 K', '°C', 2],
    ['2.5 °C', '°C', 2.5],
    ['0.5 bar', 'kPa', 50_000],
  ])('so far apart: %s in %s', (text, unit, si) => {
    expect(unwrap(parseApart(text, unit)).si).toBeCloseTo(si, 6);
  });

  test('degrees Fahrenheit say a temperature, and are refused as a difference', () => {
    expect(parseApart('4 °F', '°C')).toMatchObject({ error: { code: 'quantity.unknown_unit' } });
  });
});

describe('other quantities', () => {
  test.each([
    ["12'", 3.6576],
    [`5' 6"`, 1.6764],
    [`5'6 1/2"`, 1.6891],
    ['5 ft 6 in', 1.6764],
    ['15 cm', 0.15],
    ['3/8"', 0.009525],
    ['2 m', 2],
  ])('%s is a length', (text, metres) => {
    expect(unwrap(parseQuantity(text, 'length', 'm')).si).toBeCloseTo(metres, 9);
  });

  test.each([
    ['2.5 gpm', 'flow', 1.577e-4],
    ['3/8', 'turns', 0.375],
    ['-5 °C', 'temperature', -5],
    ['268.15 K', 'temperature', -5],
    ['12 mA', 'current', 0.012],
    ['72 m³/h', 'flow', 0.02],
  ] as const)('%s', (text, kind, si) => {
    const unit = { flow: 'L/s', turns: 'turn', temperature: '°C', current: 'mA' }[kind];
    expect(unwrap(parseQuantity(text, kind, unit)).si).toBeCloseTo(si, 6);
  });

  test('what is pressed into another kind is refused', () => {
    expect(parseQuantity('5 kPa', 'flow', 'L/s')).toMatchObject({
      error: { code: 'quantity.wrong_kind', wanted: 'flow', got: 'pressure' },
    });
  });
});

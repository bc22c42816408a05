import fc from 'fast-check';
import { findUnit, fromSI, toSI, unitOf, units } from './units';

/** One of each, in SI; liquid columns and psi from published tables. */
const golden: readonly [string, number, number][] = [
  ['Pa', 1, 0],
  ['hPa', 100, 0],
  ['mbar', 100, 0],
  ['kPa', 1000, 0],
  ['MPa', 1e6, 0],
  ['bar', 1e5, 0],
  ['psi', 6894.757293, 1e-6],
  ['inH2O', 249.082, 1e-3],
  ['inH2O20', 248.642, 1e-3],
  ['mmH2O', 9.80638, 1e-5],
  ['mmH2O20', 9.78907, 1e-5],
  ['mH2O', 9806.38, 1e-2],
  ['mmHg', 133.3224, 1e-4],
  ['inHg', 3386.389, 1e-3],
  ['kgf/cm2', 98066.5, 0],
  ['L/s', 1e-3, 0],
  ['L/min', 1 / 60_000, 1e-12],
  ['m3/h', 1 / 3600, 1e-12],
  ['gpm', 6.30901964e-5, 1e-12],
  ['scfh', 7.86579072e-6, 1e-14],
  ['mA', 1e-3, 0],
  ['ft', 0.3048, 0],
  ['in', 0.0254, 0],
  ['min', 60, 0],
  ['cmH2O', 98.0638, 1e-4],
  ['ftH2O', 2988.98, 1e-2],
  ['atm', 101_325, 0],
  ['torr', 133.322368, 1e-6],
  ['m3/s', 1, 0],
  ['turn', 1, 0],
  ['A', 1, 0],
  ['V', 1, 0],
  ['mV', 1e-3, 0],
  ['m', 1, 0],
  ['cm', 1e-2, 0],
  ['mm', 1e-3, 0],
  ['mH2O20', 9789.07, 1e-2],
  ['%', 0.01, 0],
  ['s', 1, 0],
  ['h', 3600, 0],
];

describe('units', () => {
  test.each(golden)('one %s is %d in SI', (symbol, si, tolerance) => {
    expect(Math.abs(toSI(1, symbol) - si)).toBeLessThanOrEqual(tolerance + 1e-9 * Math.abs(si));
  });

  test('every unit that is no temperature has its figure above', () => {
    const known = new Set(golden.map(([symbol]) => symbol));
    const rest = units.filter(({ kind, symbol }) => kind !== 'temperature' && !known.has(symbol));
    expect(rest.map(({ symbol }) => symbol)).toEqual([]);
  });

  test('temperatures count from melting ice, whatever their scale', () => {
    expect(toSI(60, '°C')).toBe(60);
    expect(toSI(273.15, 'K')).toBeCloseTo(0, 9);
    expect(toSI(32, '°F')).toBeCloseTo(0, 9);
    expect(toSI(212, '°F')).toBeCloseTo(100, 9);
    expect(fromSI(-40, '°F')).toBeCloseTo(-40, 9);
  });

  test('every row goes to SI and back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...units),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (row, value) => {
          const back = fromSI(toSI(value, row.symbol), row.symbol);
          expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-7 * Math.max(1, Math.abs(value)));
        },
      ),
      { seed: 11 },
    );
  });

  test('no spelling stands for two units', () => {
    const spellings = units.flatMap(({ symbol, spoken = [] }) => [symbol.toLowerCase(), ...spoken]);
    expect(new Set(spellings).size).toBe(spellings.length);
  });

  test('people’s spellings are known, others are not', () => {
    expect(findUnit('PSI')?.symbol).toBe('psi');
    expect(findUnit(' in H2O ')?.symbol).toBe('inH2O');
    expect(findUnit('furlong')).toBeUndefined();
    expect(() => unitOf('furlong')).toThrow('no such unit');
  });
});

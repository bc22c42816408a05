import { absolutePa, gaugePa, metres } from './kinds';
import { unwrap } from '../result';
import {
  barometricPressure,
  headCorrection,
  toAbsolutePressure,
  toGaugePressure,
} from './atmosphere';

describe('atmosphere', () => {
  /** ISO 2533, table of pressures. */
  test.each([
    [0, 101_325],
    [1000, 89_875],
    [2000, 79_495],
    [5000, 54_020],
    [-400, 106_223],
  ])('at %d m the standard barometer stands at %d Pa', (altitude, pressure) => {
    expect(Math.abs(unwrap(barometricPressure(metres(altitude))) - pressure)).toBeLessThan(25);
  });

  test.each([-2000, 20_000, Number.NaN])('an altitude of %d m is refused', (altitude) => {
    expect(barometricPressure(metres(altitude))).toMatchObject({
      ok: false,
      error: { code: 'quantity.altitude_out_of_range' },
    });
  });

  test('gauge, absolute and vacuum meet only through the barometer', () => {
    expect(unwrap(toGaugePressure(250_000, 'absolute', absolutePa(87_000)))).toBe(163_000);
    expect(unwrap(toGaugePressure(30_000, 'vacuum', absolutePa(87_000)))).toBe(-30_000);
    expect(unwrap(toGaugePressure(-30_000, 'vacuum', absolutePa(87_000)))).toBe(-30_000);
    expect(unwrap(toGaugePressure(250_000, 'gauge', absolutePa(87_000)))).toBe(250_000);
    expect(toAbsolutePressure(gaugePa(163_000), absolutePa(87_000))).toBe(250_000);
  });

  test('nothing lies below absolute zero', () => {
    expect(toGaugePressure(-1, 'absolute', absolutePa(87_000)).ok).toBe(false);
    expect(toGaugePressure(90_000, 'vacuum', absolutePa(87_000)).ok).toBe(false);
  });

  test('a gauge a metre above its tapping reads 9.8 kPa low', () => {
    expect(headCorrection(metres(1))).toBeCloseTo(9789, 0);
    expect(headCorrection(metres(-2))).toBeCloseTo(-19_578, 0);
  });
});

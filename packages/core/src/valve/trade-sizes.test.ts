import { awgArea, awgOf, conductorWords, sizeWords } from './trade-sizes';

describe('sizes as both trades call them', () => {
  test.each([
    [15, 'DN 15, 1/2 in'],
    [40, 'DN 40, 1 1/2 in'],
    [300, 'DN 300, 12 in'],
    [90, 'DN 90'],
  ])('DN %d', (dn, wanted) => {
    expect(sizeWords(dn)).toBe(wanted);
  });

  // From published tables of American wire gauge, mm².
  test.each([
    [10, 5.261],
    [14, 2.081],
    [18, 0.8231],
    [24, 0.2047],
  ])('AWG %d', (awg, area) => {
    expect(Math.abs(awgArea(awg) * 1e6 - area)).toBeLessThan(area * 5e-4);
    expect(awgOf(`AWG ${awg}`)).toBe(awgArea(awg));
    expect(conductorWords(awgArea(awg))).toMatch(new RegExp(` AWG ${awg}$`, 'u'));
  });

  test('the nearest number, and nothing for what is none', () => {
    expect(conductorWords(1.5e-6)).toBe('1.5 mm², about AWG 15');
    expect([awgOf('awg18'), awgOf('18'), awgOf('AWG 41'), awgOf('AWG')]).toEqual([
      awgArea(18),
      undefined,
      undefined,
      undefined,
    ]);
  });
});

import { kPa } from '../quantity';
import { gauge } from '../testing/samples';
import { calibratorFitness, calibratorFits, pointUncertainty } from './calibrator';

const current = { kind: 'current', low: 0.004, high: 0.02 } as const;
const air = { kind: 'pressure', low: kPa(20), high: kPa(100) } as const;
const calibrator = gauge('G-70', 1000, {
  accuracy_fraction: 0.0005,
  sources: [{ kind: 'current', low: 0, high: 0.024, error: 8e-6 }],
});

describe('a calibrator', () => {
  test('uncertainty is that of the signal and of the scale together', () => {
    // 8 µA of 16 mA is 0.0005; a step of 0.002 read as a rectangle is 2 · 0.002 / √12 = 0.001155.
    const found = pointUncertainty(calibrator, current, 0.002);
    expect(found.ok && found.value).toBeCloseTo(Math.hypot(0.0005, 0.001155), 5);
  });

  test('a pressure may be judged by the gauge itself', () => {
    // 0.05 % of 1000 kPa is 0.5 kPa, of a span of 80 kPa 0.00625.
    const found = pointUncertainty(calibrator, air, 1e-9);
    expect(found.ok && found.value).toBeCloseTo(0.00625, 5);
  });

  test('what it cannot give is said', () => {
    expect(pointUncertainty(gauge('G-12', 1000), current, 0.002)).toEqual({
      ok: false,
      error: { code: 'gauge.cannot_source', kind: 'current' },
    });
    expect(pointUncertainty(gauge('G-50', 5), air, 0.002)).toMatchObject({ ok: false });
    expect(pointUncertainty(calibrator, { ...current, high: 0.05 }, 0.002)).toMatchObject({
      ok: false,
    });
  });

  test('a tolerance within its own uncertainty cannot be judged', () => {
    const how = { tolerance: 0.005, scaleReading: 0.002 };
    expect(calibratorFits(calibrator, current, how)).toMatchObject({ ok: true });
    expect(calibratorFits(calibrator, air, how)).toMatchObject({
      error: { code: 'gauge.tolerance_under_uncertainty' },
    });
  });

  test.each([
    ['fits', 0.01, '2027-01-01', []],
    ['usable', 0.002, '2027-01-01', ['gauge.tur_low']],
    // Twice its uncertainty of 0.001258 is 0.002517: the bound is there, on both sides.
    ['usable', 0.00251, '2027-01-01', ['gauge.tur_low']],
    ['fits', 0.00253, '2027-01-01', []],
    ['usable', 0.01, '2026-01-01', ['gauge.out_of_date']],
    ['unfit', 0.001, '2027-01-01', ['gauge.tolerance_under_uncertainty']],
  ])('%s for a tolerance of %d, calibrated to %s', (grade, tolerance, due, codes) => {
    const fitness = calibratorFitness({ ...calibrator, calibration_due_on: due }, current, {
      tolerance,
      scaleReading: 0.002,
      today: '2026-11-25',
    });
    expect(fitness.grade).toBe(grade);
    expect(fitness.findings.map(({ code }) => code)).toEqual(codes);
  });
});

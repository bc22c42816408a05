import { gauge } from '../testing/samples';
import { defaultHouseRules } from '../valve';
import { calibratorFitness } from './calibrator';
import { failedCheck, doubtOn, openFailure } from './failures';
import { gaugeFitness } from './fitness';
import { gaugeSchema } from './gauge';

const sound = gauge('G-12', 1000, {
  calibrated_on: '2026-01-10',
  calibration_due_on: '2027-01-10',
});
const failed = failedCheck(sound, { on: '2026-06-01', why: 'Reads 12 kPa high' });

describe('a gauge that failed a check', () => {
  test('is not to be trusted until it has been calibrated anew', () => {
    expect(openFailure(sound)).toBeUndefined();
    expect(openFailure(failed)).toEqual({
      on: '2026-06-01',
      since: '2026-01-10',
      why: 'Reads 12 kPa high',
    });
    expect(openFailure({ ...failed, calibrated_on: '2026-06-02' })).toBeUndefined();
    // Calibrated on the day of the check, it may have been before the check.
    expect(openFailure({ ...failed, calibrated_on: '2026-06-01' })).toBeDefined();
  });

  test.each([
    ['2026-01-09', false],
    ['2026-01-10', true],
    ['2026-03-01', true],
    ['2026-06-01', true],
    ['2026-06-02', false],
  ])('what it read on %s is in doubt: %s', (day, isInDoubt) => {
    expect(doubtOn(failed, day) !== undefined).toBe(isInDoubt);
    // A new calibration does not make the old readings good.
    expect(doubtOn({ ...failed, calibrated_on: '2026-06-05' }, day) !== undefined).toBe(isInDoubt);
    expect(doubtOn(sound, day)).toBeUndefined();
  });

  test('judges neither a pressure nor, as a calibrator, a signal', () => {
    const today = '2026-06-01';
    const setting = { set_point_pa: 500_000, tolerance_pa: 15_000 };
    expect(gaugeFitness(sound, setting, today, defaultHouseRules).grade).toBe('fits');
    const judged = gaugeFitness(failed, setting, today, defaultHouseRules);
    expect(judged).toMatchObject({ grade: 'unfit', findings: [{ code: 'gauge.failed_check' }] });
    const signal = { kind: 'current', low: 0.004, high: 0.02 } as const;
    const sources = [{ kind: 'current' as const, low: 0, high: 0.024, error: 8e-6 }];
    const asked = { tolerance: 0.01, scaleReading: 0.002, today };
    expect(calibratorFitness({ ...sound, sources }, signal, asked).grade).toBe('fits');
    expect(calibratorFitness({ ...failed, sources }, signal, asked)).toMatchObject({
      grade: 'unfit',
      findings: [{ code: 'gauge.failed_check' }],
    });
  });

  test('keeps every failure, each since the calibration before it', () => {
    const again = failedCheck(
      { ...failed, calibrated_on: '2026-07-01' },
      { on: '2026-09-01', why: 'Fell' },
    );
    expect(again.failures?.map(({ since }) => since)).toEqual(['2026-01-10', '2026-07-01']);
    expect(doubtOn(again, '2026-06-15')).toBeUndefined();
    expect(doubtOn(again, '2026-08-01')?.why).toBe('Fell');
    expect(gaugeSchema.parse(again)).toEqual(again);
  });
});

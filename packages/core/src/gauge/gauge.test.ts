import fc from 'fast-check';
import { kPa } from '../quantity';
import { gauge, target } from '../testing/samples';
import { defaultHouseRules as rules } from '../valve';
import { gaugeFitness } from './fitness';
import { gaugeSchema } from './gauge';
import { readingUncertainty, resultUncertainty } from './uncertainty';
import { guardedVerdict, verdicts } from './verdict';

const TODAY = '2026-11-24';
const findings = (over: Parameters<typeof gauge>[2], high = 1000) =>
  gaugeFitness(gauge('G-1', high, over), target, TODAY, rules);

describe('gauge fitness', () => {
  test('a fine gauge with the target in its middle fits', () => {
    const fitness = findings({});
    expect(fitness).toMatchObject({ grade: 'fits', findings: [] });
    expect(fitness.testUncertaintyRatio).toBeCloseTo(6, 9);
    expect(fitness.position).toBeCloseTo(0.52, 9);
  });

  test.each([
    ['gauge.out_of_date', 'usable', { calibration_due_on: '2026-11-23' }, 1000],
    ['gauge.range_too_low', 'usable', {}, 600],
    ['gauge.range_too_high', 'usable', { accuracy_fraction: 0.001 }, 4000],
    ['gauge.tur_low', 'usable', { accuracy_fraction: 0.005 }, 1000],
    ['gauge.tur_too_low', 'unfit', { accuracy_fraction: 0.01 }, 1000],
    ['gauge.beyond_range', 'unfit', {}, 400],
    ['gauge.resolution_coarse', 'usable', { resolution_pa: kPa(10) }, 1000],
  ])('%s makes it %s', (code, grade, over, high) => {
    const fitness = findings(over, high);
    expect(fitness.grade).toBe(grade);
    expect(fitness.findings.map((finding) => finding.code)).toContain(code);
  });

  test('the last day of its certificate still counts', () => {
    expect(findings({ calibration_due_on: TODAY }).grade).toBe('fits');
  });

  test('a gauge must be a gauge', () => {
    expect(gaugeSchema.safeParse(gauge('G-1', 1000)).success).toBe(true);
    expect(gaugeSchema.safeParse(gauge('G-1', 1000, { resolution_pa: 0 })).success).toBe(false);
    expect(gaugeSchema.safeParse(gauge('G-1', 1000, { calibration_due_on: 'soon' })).success).toBe(false);
  });
});

describe('uncertainty', () => {
  test('is the root of the summed squares, at k = 2', () => {
    // 2500/√3 = 1443.4, 2000/√12 = 577.4, 300 → √(…)=1583.3 → 3166.6
    expect(readingUncertainty(gauge('G-1', 1000), 300).expanded).toBeCloseTo(3166.6, 0);
  });

  test('names its parts', () => {
    const { parts } = readingUncertainty(gauge('G-1', 1000));
    expect(parts.map(({ from }) => from)).toEqual(['accuracy', 'resolution', 'repeatability']);
    expect(parts[2]!.standard).toBe(0);
  });

  test('a single reading carries a quarter division of repeatability', () => {
    const one = gauge('G-1', 1000);
    expect(resultUncertainty(one)).toBe(readingUncertainty(one, 500).expanded);
  });
});

describe('guarded verdict', () => {
  const lane = { lower: 505, upper: 535 };
  test.each([
    [520, 'pass'],
    [508, 'pass'],
    [506, 'pass_without_margin'],
    [535, 'pass_without_margin'],
    [536, 'fail_without_margin'],
    [503, 'fail_without_margin'],
    [538, 'fail'],
    [400, 'fail'],
  ])('%d with a guard of 3 is %s', (value, verdict) => {
    expect(guardedVerdict(value, lane, 3)).toBe(verdict);
  });

  test('grows worse, never better, away from the middle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (off, more, guard) => {
          const rank = (value: number) => verdicts.indexOf(guardedVerdict(value, lane, guard));
          expect(rank(520 + off + more)).toBeGreaterThanOrEqual(rank(520 + off));
          expect(rank(520 - off)).toBe(rank(520 + off));
        },
      ),
      { seed: 8 },
    );
  });
});

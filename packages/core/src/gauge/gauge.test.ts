import fc from 'fast-check';
import { kPa } from '../quantity';
import { gauge, target } from '../testing/samples';
import { defaultHouseRules as rules } from '../valve';
import { gaugeFitness } from './fitness';
import { foundBeyondClass, gaugeError, gaugeSchema, gaugeSpan, type Gauge } from './gauge';
import {
  readingUncertainty,
  resultUncertainty,
  settingUncertainty,
  type Uncertainty,
} from './uncertainty';
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

  test('out of date it judges nothing where people are protected, elsewhere it is said', () => {
    const stale = gauge('G-1', 1000, { calibration_due_on: '2020-01-01' });
    const grade = (isStrict: boolean) =>
      gaugeFitness(stale, { ...target, isStrict }, TODAY, rules).grade;
    expect(grade(true)).toBe('unfit');
    expect(grade(false)).toBe('usable');
    expect(
      gaugeFitness(gauge('G-1', 1000), { ...target, isStrict: true }, TODAY, rules).grade,
    ).toBe('fits');
  });

  test('the last day of its certificate still counts', () => {
    expect(findings({ calibration_due_on: TODAY }).grade).toBe('fits');
  });

  test('a gauge must be a gauge', () => {
    expect(gaugeSchema.safeParse(gauge('G-1', 1000)).success).toBe(true);
    expect(gaugeSchema.safeParse(gauge('G-1', 1000, { resolution_pa: 0 })).success).toBe(false);
    expect(gaugeSchema.safeParse(gauge('G-1', 1000, { calibration_due_on: 'soon' })).success).toBe(
      false,
    );
  });
});

describe('what a gauge shows', () => {
  test('is what is set by it, or it judges nothing', () => {
    const codes = (unit: string, measures?: 'pressure' | 'temperature') => {
      const fitness = gaugeFitness(
        gauge('G-1', 1000, { unit }),
        { ...target, ...(measures ? { measures } : {}) },
        TODAY,
        rules,
      );
      return [fitness.grade, fitness.findings.map(({ code }) => code)];
    };
    expect(codes('bar')).toEqual(codes('kPa', 'pressure'));
    expect(codes('bar')[0]).toBe('fits');
    expect(codes('°C', 'temperature')[0]).toBe('fits');
    expect(codes('°C')).toEqual(['unfit', ['gauge.other_measure']]);
    expect(codes('kPa', 'temperature')).toEqual(['unfit', ['gauge.other_measure']]);
  });
});

describe('the class of a gauge', () => {
  const plain = gauge('G-1', 1000);
  const ofReading: Gauge = { ...plain, accuracy_of: 'reading' };

  test('of its span is the same all over; of the reading grows with it, and ends at half a step', () => {
    expect([gaugeError(plain, 100_000), gaugeError(plain)]).toEqual([2500, 2500]);
    expect(gaugeError(ofReading, 400_000)).toBeCloseTo(1000, 9);
    expect(gaugeError(ofReading, -400_000)).toBeCloseTo(1000, 9);
    expect(gaugeError(ofReading)).toBeCloseTo(2500, 9);
    expect(gaugeError(ofReading, 0)).toBe(plain.resolution_pa / 2);
  });

  test('of the reading counts where it is read: in the uncertainty and for what it may judge', () => {
    const accuracy = ({ parts }: Uncertainty) => parts.find(({ from }) => from === 'accuracy')!;
    expect(accuracy(settingUncertainty(ofReading, { at: 400_000 })).standard).toBeCloseTo(
      1000 / Math.sqrt(3),
      6,
    );
    expect(accuracy(readingUncertainty(ofReading, 0, 600_000)).standard).toBeCloseTo(
      1500 / Math.sqrt(3),
      6,
    );
    const setting = { set_point_pa: 400_000, tolerance_pa: 4000 };
    const turOf = (each: Gauge) => gaugeFitness(each, setting, TODAY, rules).testUncertaintyRatio;
    expect([turOf(plain), turOf(ofReading)].map((tur) => Number(tur.toFixed(6)))).toEqual([1.6, 4]);
  });

  test('was not held where it was found off by more than it allows there', () => {
    const found = (...points: readonly (readonly [number, number])[]): Gauge => ({
      ...plain,
      as_found: points.map(([shown_pa, add_pa]) => ({ shown_pa, add_pa })),
    });
    expect(foundBeyondClass(plain)).toBeUndefined();
    expect(foundBeyondClass(found([0, 2500], [5e5, -2500]))).toBeUndefined();
    expect(foundBeyondClass(found([0, 2600], [5e5, -3000]))?.shown_pa).toBe(5e5);
    expect(foundBeyondClass({ ...found([4e5, 1100]), accuracy_of: 'reading' })?.add_pa).toBe(1100);
  });
});

describe('uncertainty', () => {
  test('is the root of the summed squares, at k = 2', () => {
    // 2500/√3 = 1443.4, 2000/√12 = 577.4, 300 → √2 506 666.7 = 1583.246, twice: 3166.49
    expect(readingUncertainty(gauge('G-1', 1000), 300).expanded).toBeCloseTo(3166.4912, 3);
  });

  test.each([
    ['read at rest', {}, {}, { accuracy: 1443.376, resolution: 577.35, reading: 500 }],
    ['over cycles', { cycles: { deviation: 3000, count: 4 } }, {}, { repeatability: 1500 }],
    ['caught by eye', { byEye: 0.5 }, {}, { eye: 1000 }],
    ['at its tapping', { lineDensity: 998.2, heightKnown: 0.05 }, {}, { height: undefined }],
    // 998.2 · 9.80665 · 0.05 / √3
    [
      'off its tapping',
      { lineDensity: 998.2, heightKnown: 0.05 },
      { height_above_tapping_m: -3 },
      { height: 282.583 },
    ],
    ['gas, off its tapping', {}, { height_above_tapping_m: 3 }, { height: undefined }],
  ])('of a setting, %s', (_, doubts, over, wanted) => {
    const { expanded, parts } = settingUncertainty(gauge('G-1', 1000, over), doubts);
    const of = Object.fromEntries(parts.map(({ from, standard }) => [from, standard]));
    for (const [from, standard] of Object.entries(wanted))
      if (standard === undefined) expect(of).not.toHaveProperty(from);
      else expect(of[from]).toBeCloseTo(standard, 2);
    const sum = parts.reduce((squares, { standard }) => squares + standard ** 2, 0);
    expect(expanded).toBeCloseTo(2 * Math.sqrt(sum), 6);
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

describe('a gauge that does not begin at nothing', () => {
  const compound = gauge('G-32', 100, { range_low_pa: kPa(-100), accuracy_fraction: 0.01 });

  test('has its error over its whole span', () => {
    expect(gaugeSpan(compound)).toBe(kPa(200));
    expect(gaugeError(compound)).toBe(2000);
  });

  test('has a set point where it lies from its low end', () => {
    const setting = { set_point_pa: kPa(-24), tolerance_pa: kPa(10) };
    const { position, testUncertaintyRatio } = gaugeFitness(compound, setting, TODAY, rules);
    expect(position).toBeCloseTo(0.38, 12);
    expect(testUncertaintyRatio).toBe(5);
  });

  test('does not judge what lies under its low end, nor over its high one', () => {
    const grade = (set: number) =>
      gaugeFitness(compound, { set_point_pa: kPa(set), tolerance_pa: kPa(10) }, TODAY, rules).grade;
    expect([grade(-101), grade(-100), grade(100), grade(101)]).toEqual([
      'unfit',
      'usable',
      'usable',
      'unfit',
    ]);
  });
});

describe('bounds of fitness', () => {
  const codesAt = (over: Partial<Parameters<typeof gauge>[2]>, set: number, tolerance: number) =>
    gaugeFitness(
      gauge('G-1', 1000, over),
      { set_point_pa: kPa(set), tolerance_pa: kPa(tolerance) },
      TODAY,
      rules,
    ).findings.map(({ code }) => code);

  test('a quarter and three quarters of the range are still within', () => {
    expect(codesAt({}, 250, 20)).toEqual([]);
    expect(codesAt({}, 249.9, 20)).toEqual(['gauge.range_too_high']);
    expect(codesAt({}, 750, 20)).toEqual([]);
    expect(codesAt({}, 750.1, 20)).toEqual(['gauge.range_too_low']);
  });

  test('a ratio of four is wanted, of two the least', () => {
    expect(codesAt({ accuracy_fraction: 0.005 }, 500, 20)).toEqual([]);
    expect(codesAt({ accuracy_fraction: 0.005 }, 500, 19.9)).toEqual(['gauge.tur_low']);
    expect(codesAt({ accuracy_fraction: 0.01 }, 500, 20)).toEqual(['gauge.tur_low']);
    expect(codesAt({ accuracy_fraction: 0.01 }, 500, 19.9)).toEqual(['gauge.tur_too_low']);
  });

  test('half the tolerance is the coarsest division', () => {
    expect(codesAt({ resolution_pa: kPa(10) }, 500, 20)).toEqual([]);
    expect(codesAt({ resolution_pa: kPa(10.1) }, 500, 20)).toEqual(['gauge.resolution_coarse']);
  });
});

describe('what may stand on a certificate', () => {
  const fits = (over: object) => gaugeSchema.safeParse({ ...gauge('G-1', 1000), ...over }).success;
  const source = { kind: 'current', low: 0.004, high: 0.02, error: 1e-6 };
  test.each([
    ['id', 'x'.repeat(64), 'x'.repeat(65)],
    ['id', 'x', ''],
    ['tag', 'x'.repeat(40), 'x'.repeat(41)],
    ['tag', 'x', ''],
    ['range_low_pa', -101_325, -101_326],
    ['range_low_pa', 1e9, 1.01e9],
    ['range_high_pa', 1e9, 1.01e9],
    ['resolution_pa', 1e8, 1.01e8],
    ['resolution_pa', 1, 0],
    ['accuracy_fraction', 0.2, 0.201],
    ['accuracy_fraction', 0.001, 0],
    ['unit', 'x'.repeat(12), 'x'.repeat(13)],
    ['height_above_tapping_m', 100, 100.5],
    ['height_above_tapping_m', -100, -100.5],
    ['calibrated_on', '2026-02-28', '2026-02-30'],
    ['sources', Array.from({ length: 4 }, () => source), Array.from({ length: 5 }, () => source)],
    ['sources', [{ ...source, low: -1e9 }], [{ ...source, low: -1.01e9 }]],
    ['sources', [{ ...source, high: 1e9 }], [{ ...source, high: 1.01e9 }]],
    ['sources', [{ ...source, error: 1e8 }], [{ ...source, error: 1.01e8 }]],
  ])('%s up to its bound and not beyond: %p, %p', (field, within, beyond) => {
    expect(fits({ [field]: within })).toBe(true);
    expect(fits({ [field]: beyond })).toBe(false);
  });
});

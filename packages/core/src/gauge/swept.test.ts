import { seededRandom } from '../numerics';
import { rounded } from '../testing/rounded';
import { gauge } from '../testing/samples';
import { defaultHouseRules as rules } from '../valve';
import { calibratorFitness, pointUncertainty } from './calibrator';
import { correctionAt, shownAt } from './corrections';
import { gaugeFitness } from './fitness';
import type { Gauge } from './gauge';
import { lineTrouble, type LineHeard } from './line-watch';
import { resultUncertainty, settingUncertainty } from './uncertainty';
import { guardedVerdict } from './verdict';

/**
 * Gauges and what they can judge, drawn wide, and the same each time: no bound of it may move unseen. What each
 * judgement should be is told by the other tests.
 */
const drawnGauge = (seed: number) => {
  const random = seededRandom(40 + seed);
  const high = 100_000 * 10 ** random.between(0, 1.5);
  const own: Gauge = {
    ...gauge('G-1', high / 1000),
    range_low_pa: seed % 5 === 0 ? -0.2 * high : 0,
    resolution_pa: high * 10 ** random.between(-3.5, -1.5),
    accuracy_fraction: 10 ** random.between(-3, -1.3),
    accuracy_of: seed % 3 === 0 ? 'reading' : 'span',
    height_above_tapping_m: random.between(-4, 4),
    calibration_due_on: seed % 4 === 0 ? '2026-01-01' : '2027-06-01',
  };
  return { random, own, high };
};

test.each(Array.from({ length: 60 }, (_, seed) => [seed] as const))(
  'what gauge %d can judge, and how surely',
  (seed) => {
    const { random, own, high } = drawnGauge(seed);
    const set = high * random.between(0.02, 1.1);
    const setting = {
      set_point_pa: set,
      tolerance_pa: set * random.between(0.005, 0.08),
      isStrict: seed % 2 === 0,
    };
    const doubts = {
      at: set,
      cycles: { deviation: own.resolution_pa * random.between(0, 3), count: 1 + (seed % 5) },
      lineDensity: seed % 2 === 0 ? 998.2 : 0,
      heightKnown: random.between(0, 0.3),
      byEye: seed % 3 === 0 ? 0.5 : undefined,
    };
    expect([
      rounded(gaugeFitness(own, setting, '2026-11-24', rules)),
      rounded(resultUncertainty(own, set)),
      rounded(settingUncertainty(own, doubts)),
    ]).toMatchSnapshot();
  },
);

test('a verdict on both sides of each of its bounds', () => {
  const lane = { lower: 100, upper: 120 };
  const at = [90, 94.99, 95, 95.01, 99.99, 100, 104.99, 105, 115, 115.01, 120, 120.01, 124.99, 125];
  expect(at.map((value) => `${value} ${guardedVerdict(value, lane, 5)}`)).toEqual([
    '90 fail',
    '94.99 fail',
    '95 fail',
    '95.01 fail_without_margin',
    '99.99 fail_without_margin',
    '100 pass_without_margin',
    '104.99 pass_without_margin',
    '105 pass',
    '115 pass',
    '115.01 pass_without_margin',
    '120 pass_without_margin',
    '120.01 fail_without_margin',
    '124.99 fail_without_margin',
    '125 fail',
  ]);
});

test('a line, second by second, until something is wrong with it', () => {
  const heard: LineHeard = {
    lastAt: 0,
    sameSince: 0,
    unread: 0,
    lastError: undefined,
    shown: 5,
  };
  const about = { every: 1, touchedAt: undefined, low: 0, high: 10 };
  const first = (over: Partial<LineHeard>, more: object = {}) =>
    Array.from({ length: 400 }, (_, i) => i / 2).find((now) =>
      lineTrouble({ ...heard, lastAt: now, ...over }, { ...about, now, ...more }),
    );
  expect([
    first({ lastAt: 0 }),
    first({ lastAt: 0 }, { every: 2 }),
    first({}),
    first({}, { touchedAt: 30 }),
    first({ shown: 10 }),
    first({ shown: 10.1 }),
    first({ shown: -0.1 }),
  ]).toEqual([5.5, 8.5, 120.5, 50.5, 120.5, 0, 0]);
  const error = { code: 'line.unmatched' } as const;
  expect(
    [3, 4].map(
      (unread) => lineTrouble({ ...heard, unread, lastError: error }, { ...about, now: 1 })?.code,
    ),
  ).toEqual([undefined, 'line.unread']);
});

test('a certificate’s table, within it, at its points and beyond its ends', () => {
  const own = {
    corrections: [
      { shown_pa: 0, add_pa: 100 },
      { shown_pa: 1000, add_pa: -50 },
      { shown_pa: 4000, add_pa: 200 },
    ],
  };
  for (const shown of [-500, 0, 250, 1000, 2500, 4000, 6000]) {
    const actual = shown + correctionAt(own, shown);
    expect(shownAt(own, actual)).toBeCloseTo(shown, 6);
  }
  expect([-500, 500, 2500, 6000].map((at) => correctionAt(own, at))).toEqual([100, 25, 75, 200]);
});

test('a calibrator against the tolerance of what it is to judge', () => {
  const range = { kind: 'current', low: 0.004, high: 0.02 } as const;
  const own = gauge('G-70', 1000, {
    sources: [{ kind: 'current', low: 0, high: 0.024, error: 8e-6 }],
  });
  expect(rounded(pointUncertainty(own, range, 0.001))).toBe('{"ok":true,"value":0.000763763}');
  const graded = [0.0007, 0.0008, 0.00152, 0.00154, 0.01].map((tolerance) =>
    calibratorFitness(own, range, { tolerance, scaleReading: 0.001, today: '2026-11-24' }),
  );
  expect(graded.map(({ grade }) => grade)).toEqual(['unfit', 'usable', 'usable', 'fits', 'fits']);
});

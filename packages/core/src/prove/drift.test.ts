import { gaugePa } from '../quantity';
import { unwrap } from '../result';
import { driftOf } from './drift';

const lane = { lower: 480_000, upper: 520_000 };
const APART = 365;
/** Visits a year apart, each finding so much more than the one before had left. */
const visitsOf = (changes: readonly number[], days = APART) => [
  { day: 0, asFound: gaugePa(500_000), asLeft: gaugePa(500_000) },
  ...changes.map((change, i) => ({
    day: (i + 1) * days,
    asFound: gaugePa(500_000 + change),
    asLeft: gaugePa(500_000),
  })),
];
/** Student's t, two-sided 95 %, from a table of another hand; beyond it, as it nears the normal one. */
const T95 = [0, 12.7062, 4.3027, 3.1824, 2.7764, 2.5706, 2.4469, 2.3646, 2.306, 2.2622, 2.2281];
const T95_MORE = [2.201, 2.1788, 2.1604, 2.1448, 2.1314, 2.1199, 2.1098];
const t95 = (freedom: number): number => [...T95, ...T95_MORE][freedom]!;

describe('a change that is the same at every visit', () => {
  const uncertainty = 2000;
  /** The least that counts as drift: what two readings alone may differ by, over weights that grow by half. */
  const least = (count: number): number => {
    const w2 = Array.from({ length: count }, (_, i) => 1.5 ** i);
    const share = Math.sqrt(w2.reduce((sum, w) => sum + w * w, 0)) / w2.reduce((a, b) => a + b, 0);
    return t95(count + 2) * (uncertainty / 2) * Math.SQRT2 * share;
  };

  test.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])(
    'is drift from 95 %% on, at %i of them',
    (count) => {
      const isDrift = (change: number) =>
        unwrap(driftOf(visitsOf(new Array<number>(count).fill(change)), lane, uncertainty))
          .isDrifting;
      expect(isDrift(least(count) * 0.995)).toBe(false);
      expect(isDrift(least(count) * 1.005)).toBe(true);
      expect(isDrift(-least(count) * 1.005)).toBe(true);
    },
  );

  test('is the rate, and says when the lane is left, with its doubt either way', () => {
    const drift = unwrap(driftOf(visitsOf([7300, 7300, 7300]), lane, uncertainty));
    expect(drift.perDay).toBeCloseTo(20, 9);
    expect(drift.daysToLeaveLane).toBeCloseTo(1000, 6);
    const reach = t95(5) * drift.sdPerDay;
    expect(drift.daysEarliest! / (20_000 / (20 + reach))).toBeCloseTo(1, 3);
    expect(drift.daysLatest! / (20_000 / (20 - reach))).toBeCloseTo(1, 3);
    const down = unwrap(driftOf(visitsOf([-7300, -7300, -7300]), lane, uncertainty));
    expect(down.daysToLeaveLane).toBeCloseTo(1000, 6);
  });

  test('where it is none, nobody says when', () => {
    const { daysToLeaveLane, daysEarliest, daysLatest } = unwrap(
      driftOf(visitsOf([100, 100]), lane, uncertainty),
    );
    expect([daysToLeaveLane, daysEarliest, daysLatest]).toEqual([undefined, undefined, undefined]);
  });
});

test('what is outside its lane already leaves it today', () => {
  const visits = visitsOf([7300, 7300]);
  visits.push({ day: 3 * APART, asFound: gaugePa(507_300), asLeft: gaugePa(530_000) });
  expect(unwrap(driftOf(visits, lane, 2000)).daysToLeaveLane).toBe(0);
});

test('later visits count for more: a change that has begun lately is seen sooner', () => {
  const late = unwrap(driftOf(visitsOf([0, 0, 8000]), lane, 500)).perDay;
  const early = unwrap(driftOf(visitsOf([8000, 0, 0]), lane, 500)).perDay;
  // Weights 1, 1.5 and 2.25 over their sum.
  expect(late).toBeCloseTo((8000 / APART) * (2.25 / 4.75), 6);
  expect(early).toBeCloseTo((8000 / APART) * (1 / 4.75), 6);
});

test('too few visits, or all on one day, tell nothing', () => {
  const none = { ok: false, error: { code: 'prove.too_few_visits' } };
  expect(driftOf([], lane, 2000)).toEqual(none);
  expect(driftOf(visitsOf([]), lane, 2000)).toEqual(none);
  expect(driftOf(visitsOf([5000, 5000], 0), lane, 2000)).toEqual(none);
});

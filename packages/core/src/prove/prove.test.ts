import { differencePa, gaugePa } from '../quantity';
import fc from 'fast-check';
import { seededRandom } from '../numerics';
import { unwrap } from '../result';
import { driftOf } from './drift';
import { droop } from './droop';
import { noFlowVerdict } from './lockup';

const record = (of: (t: number) => number, noise = 0, seed = 1) => {
  const random = seededRandom(seed);
  return Array.from({ length: 9 }, (_, i) => ({
    t: i * 7.5,
    value: of(i * 7.5) + noise * random.normal(),
  }));
};
const verdict = (of: (t: number) => number, noise = 300, seed = 1) =>
  unwrap(noFlowVerdict(record(of, noise, seed), gaugePa(520_000), 2000, differencePa(52_000)));

describe('droop', () => {
  test('is the fall from small to working flow', () => {
    expect(droop(gaugePa(520_000), gaugePa(505_000))).toBe(15_000);
    expect(droop(gaugePa(505_000), gaugePa(510_000))).toBe(-5000);
  });
});

describe('no-flow record', () => {
  test('a rise that levels is lockup, and passes under a tenth', () => {
    const result = verdict((t) => 550_000 - 28_000 * Math.exp(-t / 6));
    expect(result).toMatchObject({ shape: 'levels', passes: true, allowed: 52_000, creepRate: 0 });
    expect(Math.abs(result.rise - 30_000)).toBeLessThan(1500);
  });

  test('a rise that levels too high does not pass', () => {
    expect(verdict((t) => 600_000 - 70_000 * Math.exp(-t / 6))).toMatchObject({
      shape: 'levels',
      passes: false,
    });
  });

  test('a rise that goes on is creep, with its rate', () => {
    const result = verdict((t) => 540_000 + 600 * t);
    expect(result.shape).toBe('creeps');
    expect(result.passes).toBe(false);
    expect(Math.abs(result.creepRate - 600)).toBeLessThan(60);
    expect(result.sure).toBeGreaterThan(0.9);
  });

  test('a pressure that stands still, or sinks back, levels', () => {
    expect(verdict(() => 530_000).shape).toBe('levels');
    expect(verdict((t) => 560_000 - 200 * t).shape).toBe('levels');
  });

  test('too few readings are said', () => {
    expect(noFlowVerdict(record(() => 1).slice(0, 4), gaugePa(1), 1, differencePa(1))).toEqual({
      ok: false,
      error: { code: 'prove.too_few_readings', have: 4, want: 5 },
    });
  });

  test('on seeded records the two are told apart nineteen times in twenty', () => {
    let right = 0;
    for (let seed = 1; seed <= 100; seed++) {
      const random = seededRandom(seed);
      const isCreep = seed % 2 === 0;
      const tau = random.between(3, 10);
      const rate = random.between(150, 900);
      const of = (t: number) => 545_000 - 25_000 * Math.exp(-t / tau) + (isCreep ? rate * t : 0);
      if ((verdict(of, 400, seed).shape === 'creeps') === isCreep) right += 1;
    }
    expect(right).toBeGreaterThanOrEqual(95);
  });
});

describe('drift', () => {
  const lane = { lower: 425_000, upper: 455_000 };
  const year = 365;
  const visits = (changes: readonly number[]) => [
    { day: 0, asFound: gaugePa(400_000), asLeft: gaugePa(440_000) },
    ...changes.map((change, i) => ({
      day: (i + 1) * year,
      asFound: gaugePa(440_000 + change),
      asLeft: gaugePa(440_000),
    })),
  ];

  test('a steady climb is found again, and when it leaves the lane', () => {
    const drift = unwrap(driftOf(visits([36_500, 36_500, 36_500]), lane, 2000));
    expect(drift.perDay).toBeCloseTo(100, 6);
    expect(drift.isDrifting).toBe(true);
    expect(drift.daysToLeaveLane).toBeCloseTo(150, 6);
  });

  // Two-sided 95 % of Student's t, from standard tables.
  test.each([
    [3, 3.182],
    [4, 2.776],
    [5, 2.571],
    [6, 2.447],
    [7, 2.365],
    [8, 2.306],
    [9, 2.262],
    [10, 2.228],
    [11, 2.201],
    [12, 2.179],
    [13, 2.16],
    [14, 2.145],
    [15, 2.131],
    [20, 2.086],
  ])('with %d degrees of freedom its bounds lie %d deviations away', (freedom, quantile) => {
    // A change each year, all alike: only the gauge scatters, and counts for three.
    const changes = Array.from({ length: freedom - 2 }, () => 36_500);
    const drift = unwrap(driftOf(visits(changes), lane, 2000));
    const room = 15_000;
    const reach = room / drift.daysEarliest! - drift.perDay;
    expect(Math.abs(reach / drift.sdPerDay / quantile - 1)).toBeLessThan(0.003);
    expect(drift.perDay - room / drift.daysLatest!).toBeCloseTo(reach, 9);
  });

  test('one change is as uncertain as two readings', () => {
    const { sdPerDay } = unwrap(driftOf(visits([36_500]), lane, 2000));
    expect(sdPerDay).toBeCloseTo((1000 * Math.SQRT2) / year, 9);
  });

  test('scatter within the gauge is no drift', () => {
    expect(unwrap(driftOf(visits([800, -900, 500]), lane, 3000)).isDrifting).toBe(false);
  });

  test.each([3, 4, 6, 10])(
    'of %d visits that only scatter, one history in twenty drifts',
    (count) => {
      const isAlarm = (seed: number) => {
        const random = seededRandom(seed);
        const quiet = Array.from({ length: count }, (_, i) => ({
          day: 365 * i + random.between(-40, 40),
          // What the gauge adds, twice for a change, and as much again by the valve itself.
          asFound: gaugePa(500_000 + 1000 * random.normal() + 1414 * random.normal()),
          asLeft: gaugePa(500_000 + 1000 * random.normal()),
        }));
        return unwrap(driftOf(quiet, lane, 2000)).isDrifting;
      };
      const alarms = Array.from({ length: 1500 }, (_, i) => isAlarm(i + 1)).filter(Boolean);
      expect(alarms.length / 1500).toBeLessThan(0.075);
      expect(alarms.length).toBeGreaterThan(10);
    },
  );

  test('the day on which the lane is left comes with its doubt', () => {
    const drift = unwrap(driftOf(visits([30_000, 42_000, 36_000]), lane, 2000));
    expect(drift.daysEarliest!).toBeLessThan(drift.daysToLeaveLane!);
    expect(drift.daysLatest!).toBeGreaterThan(drift.daysToLeaveLane!);
    const sure = unwrap(driftOf(visits([36_500, 36_500, 36_500]), lane, 200));
    expect(sure.daysLatest! - sure.daysEarliest!).toBeLessThan(
      drift.daysLatest! - drift.daysEarliest!,
    );
  });

  test('downward drift leaves at the lower edge', () => {
    expect(unwrap(driftOf(visits([-36_500, -36_500]), lane, 2000)).daysToLeaveLane).toBeCloseTo(
      150,
      6,
    );
  });

  test('later visits count more', () => {
    const late = unwrap(driftOf(visits([0, 0, 36_500]), lane, 2000)).perDay;
    const early = unwrap(driftOf(visits([36_500, 0, 0]), lane, 2000)).perDay;
    expect(late).toBeGreaterThan(early);
  });

  test('one visit, or two on one day, tell nothing', () => {
    expect(driftOf(visits([]), lane, 2000).ok).toBe(false);
    expect(driftOf([visits([])[0]!, visits([])[0]!], lane, 2000).ok).toBe(false);
  });

  test('never foretells a day before the last visit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -40_000, max: 40_000 }), { minLength: 1, maxLength: 6 }),
        (changes) => {
          const drift = unwrap(driftOf(visits(changes), lane, 2000));
          expect(drift.daysToLeaveLane ?? 0).toBeGreaterThanOrEqual(0);
        },
      ),
      { seed: 13 },
    );
  });
});

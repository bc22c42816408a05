import { gaugePa } from '../quantity';
import fc from 'fast-check';
import { seededRandom, type Sample } from '../numerics';
import { unwrap } from '../result';
import { blowdown } from './blowdown';
import { crackingResult } from './cracking';
import { readRamps, splitRamps } from './ramp-log';

describe('blowdown', () => {
  test('is the share of the set pressure that is lost before it shuts', () => {
    expect(unwrap(blowdown(gaugePa(1_000_000), gaugePa(930_000)))).toBeCloseTo(0.07, 12);
  });
  test.each([
    [0, 0, 'prove.set_not_positive'],
    [-5, -9, 'prove.set_not_positive'],
    [100, 101, 'prove.reseat_above_set'],
  ])('of %d and %d is refused: %s', (set, reseat, code) => {
    expect(blowdown(gaugePa(set), gaugePa(reseat))).toEqual({ ok: false, error: { code } });
  });
});

describe('cracking over cycles', () => {
  const cycles = [
    { cracked: gaugePa(1_184_000), fullFlow: gaugePa(1_240_000), reseated: gaugePa(1_098_000) },
    { cracked: gaugePa(1_180_000), fullFlow: gaugePa(1_236_000), reseated: gaugePa(1_094_000) },
    { cracked: gaugePa(1_176_000), fullFlow: gaugePa(1_244_000), reseated: gaugePa(1_102_000) },
  ];
  test('mean, spread, repeatability, blowdown and overpressure', () => {
    const result = unwrap(crackingResult(cycles));
    expect(result).toMatchObject({
      cycles: 3,
      cracking: 1_180_000,
      crackingSpread: 8000,
      reseat: 1_098_000,
      reseatSpread: 8000,
    });
    expect(result.repeatability).toBeCloseTo(4000, 6);
    expect(result.blowdown).toBeCloseTo(82 / 1180, 9);
    expect(result.overpressure).toBeCloseTo(60 / 1180, 9);
  });
  test('one cycle has no spread, and what was not seen is not made up', () => {
    expect(unwrap(crackingResult([{ cracked: gaugePa(500_000) }]))).toMatchObject({
      crackingSpread: 0,
      repeatability: 0,
      reseat: undefined,
      blowdown: undefined,
      overpressure: undefined,
    });
  });
  test('a vacuum is reckoned by its size', () => {
    expect(
      unwrap(crackingResult([{ cracked: gaugePa(-24_000), reseated: gaugePa(-22_800) }])).blowdown,
    ).toBeCloseTo(0.05, 9);
  });
  test('never cracked is said', () => {
    expect(crackingResult([{ reseated: gaugePa(1) }])).toEqual({
      ok: false,
      error: { code: 'prove.never_cracked' },
    });
  });
});

/** Up past an opening and down past a shutting, with noise; pa/s while shut, and while flowing. */
function ramp(
  opens: number,
  shuts: number,
  options: { noise?: number; seed?: number; pop?: number; gapAt?: number } = {},
): Sample[] {
  const { noise = 600, seed = 1, pop = 0, gapAt } = options;
  const random = seededRandom(seed);
  const samples: Sample[] = [];
  let value = 0.8 * opens;
  let isOpen = false;
  let t = 0;
  const step = (rate: number) => {
    t += 0.5;
    value += rate * 0.5;
    if (gapAt === undefined || t < gapAt || t > gapAt + 20)
      samples.push({ t, value: value + noise * random.normal() });
  };
  while (value < 1.03 * opens && t < 200) {
    if (!isOpen && value >= opens) {
      isOpen = true;
      value -= pop;
    }
    step(isOpen ? 900 : 5000);
  }
  while (value > 0.75 * opens) step(value > shuts ? -2200 : -5500);
  return samples;
}

describe('a logged ramp', () => {
  test('gives cracking on the way up and reseat on the way down', () => {
    const found = unwrap(readRamps(ramp(1_180_000, 1_096_000), 2000));
    expect(found.map(({ kind }) => kind)).toEqual(['up', 'down']);
    expect(Math.abs(found[0]!.pressure - 1_180_000)).toBeLessThan(3000);
    expect(Math.abs(found[1]!.pressure - 1_096_000)).toBeLessThan(4000);
    for (const { sure } of found) expect(sure).toBeGreaterThan(0.99);
  });
  test('a valve that pops is read at its peak', () => {
    const [up] = unwrap(readRamps(ramp(1_180_000, 1_096_000, { pop: 25_000 }), 2000));
    expect(Math.abs(up!.pressure - 1_180_000)).toBeLessThan(4000);
  });
  test('seeded openings are found within two divisions nearly always', () => {
    let close = 0;
    for (let seed = 1; seed <= 30; seed++) {
      const random = seededRandom(seed);
      const opens = random.between(8e5, 14e5);
      const [up] = unwrap(
        readRamps(ramp(opens, opens * 0.93, { seed, noise: random.between(200, 900) }), 2000),
      );
      if (Math.abs(up!.pressure - opens) <= 4000) close += 1;
    }
    expect(close).toBeGreaterThanOrEqual(28);
  });
  test('a gap in the log does not hide it', () => {
    const [up] = unwrap(readRamps(ramp(1_180_000, 1_096_000, { gapAt: 12 }), 2000));
    expect(Math.abs(up!.pressure - 1_180_000)).toBeLessThan(4000);
  });
  test('noise alone, a straight ramp, and too little are each said', () => {
    const random = seededRandom(4);
    const noise = Array.from({ length: 300 }, (_, i) => ({
      t: i,
      value: 500_000 + 800 * random.normal(),
    }));
    expect(readRamps(noise, 2000)).toEqual({ ok: false, error: { code: 'prove.no_ramp' } });
    const straight = Array.from({ length: 200 }, (_, i) => ({
      t: i,
      value: 500_000 + 3000 * i + 900 * random.normal(),
    }));
    expect(readRamps(straight, 2000)).toEqual({ ok: false, error: { code: 'prove.no_break' } });
    expect(readRamps(straight.slice(0, 10), 2000)).toMatchObject({
      error: { code: 'prove.log_too_short', have: 10 },
    });
  });
  test('straight ramps seldom pass for an opening, however long', () => {
    let fooled = 0;
    for (let seed = 1; seed <= 30; seed++) {
      const random = seededRandom(seed);
      const count = [60, 200, 400][seed % 3]!;
      const straight = Array.from({ length: count }, (_, i) => ({
        t: i,
        value: 500_000 + (600_000 / count) * i + 900 * random.normal(),
      }));
      if (readRamps(straight, 2000).ok) fooled += 1;
    }
    expect(fooled).toBeLessThanOrEqual(1);
  });
  /** A way up, bent and with noise that goes on from sample to sample, that opens at 1000 kPa or never does. */
  const upwards = (seed: number, shape: { bend: number; alike: number; opens: boolean }) => {
    const random = seededRandom(seed);
    let drift = 0;
    return Array.from({ length: 240 }, (_, i) => {
      const share = i / 200;
      const shut = 600_000 + 400_000 * (share + shape.bend * share * (share - 1));
      const truth = shape.opens && i > 200 ? 1_000_000 + 300 * (i - 200) : shut;
      drift = shape.alike * drift + Math.sqrt(1 - shape.alike ** 2) * 2000 * random.normal();
      return { t: i / 2, value: Math.round((truth + drift) / 2000) * 2000 };
    });
  };
  test.each([
    ['bent', 0.5, 0],
    ['noise that goes on', 0, 0.9],
    ['both', -0.4, 0.9],
  ])('%s: what never opens is not said to have', (_, bend, alike) => {
    let fooled = 0;
    for (let seed = 1; seed <= 24; seed++)
      if (readRamps(upwards(seed, { bend, alike, opens: false }), 2000).ok) fooled += 1;
    expect(fooled).toBeLessThanOrEqual(1);
  });
  test.each([
    ['straight', 0, 0, 22],
    ['bent', 0.3, 0, 21],
    ['noise that goes on', 0, 0.9, 12],
  ])('%s: what opens is found within 2 %, and its bounds hold it', (_, bend, alike, least) => {
    const found = Array.from({ length: 24 }, (_each, i) =>
      readRamps(upwards(i + 1, { bend, alike, opens: true }), 2000),
    ).flatMap((read) => (read.ok ? [read.value.find(({ kind }) => kind === 'up')!] : []));
    expect(found.length).toBeGreaterThanOrEqual(least);
    for (const { pressure } of found)
      expect(Math.abs(pressure - 1_000_000)).toBeLessThanOrEqual(20_000);
    const held = found.filter(({ low, high }) => low <= 1_000_000 && 1_000_000 <= high);
    expect(held.length / found.length).toBeGreaterThanOrEqual(0.8);
  });
  test('a valve that holds for a moment at its top has opened', () => {
    const random = seededRandom(5);
    const samples = Array.from({ length: 206 }, (_, i) => ({
      t: i / 2,
      value: Math.min(1_000_000, 600_000 + 2000 * i + 400 * random.normal()),
    }));
    const rests = Array.from({ length: 12 }, (_, i) => ({
      t: 103 + i / 2,
      value: 1_000_000 + 400 * random.normal(),
    }));
    const [up] = unwrap(readRamps([...samples, ...rests], 2000));
    expect(Math.abs(up!.pressure - 1_000_000)).toBeLessThan(5000);
  });
  test('full flow is told where the slope breaks a second time', () => {
    const random = seededRandom(11);
    const rate = (t: number) => (t < 40 ? 5000 : t < 80 ? 1500 : 400);
    let value = 900_000;
    const samples = Array.from({ length: 240 }, (_, i) => {
      value += rate(i / 2) / 2;
      return { t: i / 2, value: value + 300 * random.normal() };
    });
    const [up] = unwrap(readRamps(samples, 2000));
    expect(Math.abs(up!.pressure - 1_100_000)).toBeLessThan(4000);
    expect(Math.abs(up!.fullFlow! - 1_160_000)).toBeLessThan(4000);
    expect(up!.fullFlow!).toBeGreaterThan(up!.pressure);
  });
  test('three cycles are six ramps', () => {
    const one = ramp(1_180_000, 1_096_000);
    const span = one.at(-1)!.t + 10;
    const three = [0, 1, 2].flatMap((k) => one.map(({ t, value }) => ({ t: t + k * span, value })));
    expect(splitRamps(three, 2000).map(({ kind }) => kind)).toEqual([
      'up',
      'down',
      'up',
      'down',
      'up',
      'down',
    ]);
  });
  test('a finding never lies outside what was logged', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (seed) => {
        const random = seededRandom(seed);
        const samples = Array.from({ length: 120 }, (_, i) => ({
          t: i,
          value: 1e5 * Math.sin(i / random.between(5, 40)) + 9000 * random.normal(),
        }));
        const read = readRamps(samples, 1000);
        for (const { t, from, to } of read.ok ? read.value : []) {
          expect(t).toBeGreaterThanOrEqual(from - 1);
          expect(t).toBeLessThanOrEqual(to + 1);
        }
      }),
      { seed: 8, numRuns: 60 },
    );
  });
});

import { inSeconds, type Seconds } from '../quantity';
import { seededRandom } from '../numerics';
import { settling } from './settling';
import { typedSettled } from './typed-settled';

/** s until it is said to have settled, looked at every other second; and how many divisions are still to come then. */
function settledAt(
  truth: (t: number) => number,
  { noise, seed, learned }: { noise: number; seed: number; learned?: Seconds },
): { readonly t: number; readonly left: number } {
  const random = seededRandom(seed);
  const samples: { t: number; value: number }[] = [];
  for (let i = 0; i < 1200; i++) {
    const t = i / 2;
    samples.push({ t, value: Math.round(truth(t) + noise * random.normal()) });
    if (i % 4 === 0 && settling(samples, 1, learned).state === 'settled')
      return { t, left: Math.abs(truth(1e6) - truth(t)) };
  }
  return { t: Number.POSITIVE_INFINITY, left: 0 };
}

const record = (seconds: number, of: (t: number) => number, noise = 0, seed = 1) => {
  const random = seededRandom(seed);
  return Array.from({ length: seconds * 2 + 1 }, (_, i) => ({
    t: i / 2,
    value: of(i / 2) + noise * random.normal(),
  }));
};

describe('settling', () => {
  test('a pressure at rest has settled, at its mean', () => {
    const state = settling(
      record(40, () => 416_000, 300),
      2000,
    );
    expect(state.state).toBe('settled');
    if (state.state === 'settled') expect(Math.abs(state.level - 416_000)).toBeLessThan(300);
  });

  test('a rise that is dying out says how long still, and where it will end', () => {
    const state = settling(
      record(10, (t) => 520_000 - 200_000 * Math.exp(-t / 8)),
      2000,
    );
    expect(state.state).toBe('settling');
    if (state.state !== 'settling') return;
    // 57 kPa are left; half a division comes after 8·ln(57.3) = 32 s.
    expect(Math.abs(state.wait - 32.4)).toBeLessThan(4);
    expect(Math.abs(state.level - 520_000)).toBeLessThan(4000);
    expect(state.slope).toBeGreaterThan(0);
  });

  test('the wait shrinks as time goes by', () => {
    const of = (t: number) => 500_000 - 150_000 * Math.exp(-t / 6);
    const waits = [8, 14, 20].map((seconds) => settling(record(seconds, of), 2000));
    const seconds = waits.map((state) => (state.state === 'settling' ? state.wait : 0));
    expect(seconds[0]).toBeGreaterThan(seconds[1]!);
    expect(seconds[1]).toBeGreaterThan(seconds[2]!);
  });

  test('a swing that does not die out is hunting', () => {
    const state = settling(
      record(24, (t) => 500_000 + 20_000 * Math.sin(t * 1.3)),
      2000,
    );
    expect(state.state).toBe('hunting');
    if (state.state === 'hunting') expect(state.swing).toBeGreaterThan(35_000);
  });

  test('a few readings say nothing', () => {
    expect(settling([], 2000)).toEqual({ state: 'too_few' });
    expect(
      settling(
        record(2, () => 1),
        2000,
      ).state,
    ).toBe('too_few');
  });

  test('a slow creep is not taken for rest', () => {
    expect(
      settling(
        record(24, (t) => 400_000 + 900 * t),
        2000,
      ).state,
    ).not.toBe('settled');
  });
});

describe('settling, over what valves and gauges do', () => {
  const worlds = Array.from({ length: 45 }, (_, i) => {
    const random = seededRandom(i + 1);
    const tau = Math.exp(random.between(0, Math.log(40)));
    const dead = random.between(0, 10);
    const size = Math.exp(random.between(Math.log(5), Math.log(200)));
    const truth = (t: number) => (t < dead ? 0 : size * (1 - Math.exp(-(t - dead) / tau)));
    const known = dead + tau * Math.log(size / 0.5);
    return { tau, truth, known, noise: random.between(0, 0.5), seed: i + 500 };
  });
  test('a division and more is hardly ever left to come, and it is said in time', () => {
    const found = worlds.map(({ truth, known, ...world }) => {
      const { t, left } = settledAt(truth, world);
      return { left, ratio: t / known };
    });
    expect(found.filter(({ left }) => left > 1).length).toBeLessThanOrEqual(1);
    const ratios = found.map(({ ratio }) => ratio).sort((a, b) => a - b);
    expect(ratios[22]).toBeLessThan(1.4);
    expect(ratios[22]).toBeGreaterThan(0.95);
    expect(ratios.at(-1)).toBeLessThan(12);
  });
  test('once it has settled it stays so, however long it stands', () => {
    for (const [size, tau] of [
      [100, 3],
      [40, 8],
      [20, 2],
    ] as const) {
      const samples = record(120, (t) => size * (1 - Math.exp(-t / tau))).map(({ t, value }) => ({
        t,
        value: Math.round(value),
      }));
      const states = samples.map((_, i) => settling(samples.slice(0, i + 1), 1).state);
      const first = states.indexOf('settled');
      expect(first / 2).toBeLessThan(tau * Math.log(size / 0.5) + 12);
      // While the last division may still turn over it wavers; once next to nothing is left, nothing does.
      const still = Math.ceil(2 * tau * Math.log(size / 0.03));
      expect(new Set(states.slice(still))).toEqual(new Set(['settled']));
    }
  });
  test('what a valve has shown before makes small moves quick', () => {
    const small = (t: number) => 3 * (1 - Math.exp(-t / 4));
    const [first, then] = [undefined, inSeconds(4)].map((learned) =>
      settledAt(small, { noise: 0.2, seed: 3, ...(learned === undefined ? {} : { learned }) }),
    );
    expect(first!.t).toBeGreaterThan(then!.t);
    expect(then!.t).toBeLessThan(22);
  });
  test('a gauge that has not begun to answer has not settled, whatever was learned', () => {
    const late = (t: number) => (t < 10 ? 0 : 80 * (1 - Math.exp(-(t - 10) / 2)));
    for (let seed = 1; seed <= 20; seed++)
      expect(settledAt(late, { noise: 0, seed, learned: inSeconds(2) }).t).toBeGreaterThan(12);
  });
  test('the time constant is told where the answer was large, and not where it was small', () => {
    const state = (size: number) =>
      settling(
        record(40, (t) => size * (1 - Math.exp(-t / 6))),
        1000,
      );
    const told = state(200_000);
    expect(told.state).toBe('settled');
    if (told.state === 'settled') expect(Math.abs(told.timeConstant! - 6)).toBeLessThan(1.5);
    expect(state(2000)).toMatchObject({ timeConstant: undefined });
  });
  test('what has come to rest does not creep, however long it is watched', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const random = seededRandom(seed);
      const tau = random.between(1, 10);
      const samples = record(
        140,
        (t) => 60 * (1 - Math.exp(-t / tau)),
        random.between(0, 0.5),
        seed,
      ).map(({ t, value }) => ({ t, value: Math.round(value) }));
      expect(settling(samples, 1).state).toBe('settled');
    }
  });
  test.each([
    [0.05, 0.65],
    [0.2, 0.9],
    [-0.5, 0.9],
    [0.1, 0.75],
  ])('creep of %d divisions a second is named within a minute', (rate, share) => {
    let named = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const random = seededRandom(seed);
      const size = random.between(0, 40);
      const samples = record(
        60,
        (t) => size * (1 - Math.exp(-t / 4)) + rate * t,
        random.between(0, 0.4),
        seed,
      ).map(({ t, value }) => ({ t, value: Math.round(value) }));
      const state = settling(samples, 1);
      if (state.state === 'creeping' && state.rate * rate > 0) named += 1 / 40;
      expect(state.state === 'settled' && Math.abs(rate) >= 0.1).toBe(false);
    }
    expect(named).toBeGreaterThanOrEqual(share);
  });
});

describe('typed readings', () => {
  const at = (t: number, value: number) => ({ t, value });
  test('two that agree, far enough apart, have settled', () => {
    expect(typedSettled([at(0, 416e3), at(9, 416e3)], 2000, inSeconds(8))).toBe(true);
    expect(typedSettled([at(0, 414e3), at(9, 416e3)], 2000, inSeconds(8))).toBe(true);
  });
  test('too near in time, too far in value, or alone, they have not', () => {
    expect(typedSettled([at(0, 416e3), at(4, 416e3)], 2000, inSeconds(8))).toBe(false);
    expect(typedSettled([at(0, 410e3), at(9, 416e3)], 2000, inSeconds(8))).toBe(false);
    expect(typedSettled([at(0, 416e3)], 2000, inSeconds(8))).toBe(false);
  });
});

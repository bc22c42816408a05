import { seededRandom } from '../numerics';
import { settling, typedSettled } from './settling';

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
      record(12, () => 416_000, 300),
      2000,
      500,
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

describe('typed readings', () => {
  const at = (t: number, value: number) => ({ t, value });
  test('two that agree, far enough apart, have settled', () => {
    expect(typedSettled([at(0, 416e3), at(9, 416e3)], 2000, 8)).toBe(true);
    expect(typedSettled([at(0, 414e3), at(9, 416e3)], 2000, 8)).toBe(true);
  });
  test('too near in time, too far in value, or alone, they have not', () => {
    expect(typedSettled([at(0, 416e3), at(4, 416e3)], 2000, 8)).toBe(false);
    expect(typedSettled([at(0, 410e3), at(9, 416e3)], 2000, 8)).toBe(false);
    expect(typedSettled([at(0, 416e3)], 2000, 8)).toBe(false);
  });
});

import fc from 'fast-check';
import { unwrap } from '../result';
import { akaike, akaikeWeight } from './akaike';
import { fitDecay } from './decay-fit';
import { integrate } from './integrate';
import { leastSquares } from './least-squares';
import { normalCdf, normalDensity } from './normal';
import { seededRandom } from './random';

describe('seededRandom', () => {
  test('the same seed gives the same stream, another seed another', () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seededRandom(seed).uniform);
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
  });

  test('normals have mean 0 and standard deviation 1', () => {
    const random = seededRandom(42);
    const draws = Array.from({ length: 20_000 }, random.normal);
    const mean = draws.reduce((a, b) => a + b, 0) / draws.length;
    const variance = draws.reduce((a, b) => a + (b - mean) ** 2, 0) / draws.length;
    expect(Math.abs(mean)).toBeLessThan(0.02);
    expect(Math.abs(variance - 1)).toBeLessThan(0.03);
  });
});

describe('normal distribution', () => {
  test.each([
    [0, 0.5],
    [1, 0.8413447],
    [-1, 0.1586553],
    [1.959964, 0.975],
    [3, 0.9986501],
    [-6, 9.866e-10],
  ])('P(z ≤ %d) = %d', (z, p) => {
    expect(Math.abs(normalCdf(z) - p)).toBeLessThan(1e-7);
  });

  test('the density has its peak where the mean is', () => {
    expect(normalDensity(3, 3, 4)).toBeCloseTo(0.1994711, 6);
  });
});

describe('leastSquares', () => {
  test('is exact on a plane', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -9, max: 9, noNaN: true }),
        fc.double({ min: -9, max: 9, noNaN: true }),
        fc.double({ min: -9, max: 9, noNaN: true }),
        (a, b, c) => {
          const x = [0, 1, 2, 3, 4];
          const y = [1, -1, 2, 0, 5];
          const z = x.map((value, i) => a + b * value + c * y[i]!);
          const fit = unwrap(leastSquares([x.map(() => 1), x, y], z));
          expect(fit.coefficients[0]).toBeCloseTo(a, 6);
          expect(fit.coefficients[1]).toBeCloseTo(b, 6);
          expect(fit.coefficients[2]).toBeCloseTo(c, 6);
          expect(fit.rss).toBeLessThan(1e-15);
        },
      ),
      { seed: 4 },
    );
  });

  test('says when columns repeat and when points are too few', () => {
    expect(
      leastSquares(
        [
          [1, 1, 1],
          [2, 2, 2],
        ],
        [1, 2, 3],
      ),
    ).toEqual({ ok: false, error: { code: 'numerics.singular' } });
    expect(leastSquares([[1], [2]], [1])).toEqual({
      ok: false,
      error: { code: 'numerics.too_few_points' },
    });
  });
});

describe('akaike', () => {
  test('prefers the better fit, and the simpler of two equal ones', () => {
    expect(akaike(1, 20, 2)).toBeLessThan(akaike(4, 20, 2));
    expect(akaike(1, 20, 2)).toBeLessThan(akaike(1, 20, 4));
    expect(akaike(1, 4, 3)).toBe(Number.POSITIVE_INFINITY);
  });

  test('weights of two models sum to one', () => {
    expect(akaikeWeight(3, 7) + akaikeWeight(7, 3)).toBeCloseTo(1, 12);
    expect(akaikeWeight(5, Number.POSITIVE_INFINITY)).toBe(1);
  });
});

describe('fitDecay', () => {
  test('finds level, amplitude and time constant again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 12, noNaN: true }),
        fc.double({ min: 20, max: 200, noNaN: true }),
        (timeConstant, amplitude) => {
          const samples = Array.from({ length: 40 }, (_, i) => ({
            t: 5 + i / 2,
            value: 400 - amplitude * Math.exp(-i / 2 / timeConstant),
          }));
          const fit = unwrap(fitDecay(samples));
          expect(Math.abs(fit.level - 400)).toBeLessThan(0.02 * amplitude);
          expect(Math.abs(fit.timeConstant / timeConstant - 1)).toBeLessThan(0.03);
        },
      ),
      { seed: 6, numRuns: 40 },
    );
  });

  test('with drift it tells the line from the decay', () => {
    const samples = Array.from({ length: 60 }, (_, i) => ({
      t: i,
      value: 100 + 0.5 * i - 30 * Math.exp(-i / 6),
    }));
    const fit = unwrap(fitDecay(samples, { drift: true }));
    expect(fit.slope).toBeCloseTo(0.5, 2);
    expect(fit.timeConstant).toBeCloseTo(6, 0);
  });

  test('says what it lacks', () => {
    const flat = { t: 1, value: 1 };
    expect(fitDecay([flat, flat])).toMatchObject({
      ok: false,
      error: { code: 'numerics.too_few_points' },
    });
    expect(fitDecay([flat, flat, flat, flat])).toMatchObject({
      ok: false,
      error: { code: 'numerics.no_time_span' },
    });
  });
});

describe('integrate', () => {
  test('decay agrees with its closed form', () => {
    const outcome = integrate((y, _t, out) => void (out[0] = -0.7 * y[0]!), [5], [0, 4], {
      tolerance: 1e-9,
    });
    expect(outcome.ended).toBe('at_end');
    expect(outcome.state[0]).toBeCloseTo(5 * Math.exp(-2.8), 7);
  });

  test('a swing keeps its energy', () => {
    const swing = (y: readonly number[], _t: number, out: number[]) => {
      out[0] = y[1]!;
      out[1] = -4 * y[0]!;
    };
    const { state } = integrate(swing, [1, 0], [0, Math.PI * 10], { tolerance: 1e-9 });
    expect(state[0]).toBeCloseTo(1, 5);
    expect(state[1]).toBeCloseTo(0, 4);
  });

  test('an event is met where it happens', () => {
    const fall = (y: readonly number[], _t: number, out: number[]) => {
      out[0] = y[1]!;
      out[1] = -9.81;
    };
    const outcome = integrate(fall, [10, 0], [0, 5], { event: (y) => y[0]!, tolerance: 1e-8 });
    expect(outcome.ended).toBe('at_event');
    expect(outcome.t).toBeCloseTo(Math.sqrt(20 / 9.81), 4);
  });

  test('a state that blows up ends at its last finite value', () => {
    const outcome = integrate((y, _t, out) => void (out[0] = y[0]! ** 2), [1], [0, 5], {
      tolerance: 1e-6,
    });
    expect(['not_finite', 'out_of_steps']).toContain(outcome.ended);
    expect(Number.isFinite(outcome.state[0])).toBe(true);
  });
});

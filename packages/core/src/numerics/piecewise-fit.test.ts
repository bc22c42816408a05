import fc from 'fast-check';
import { unwrap } from '../result';
import { fitPieces, surenessOfPieces } from './piecewise-fit';
import { seededRandom } from './random';

const xs = Array.from({ length: 60 }, (_, i) => i * 0.5);

describe('straight pieces', () => {
  test('one line is found exactly', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -500, max: 500 }),
        fc.integer({ min: -90, max: 90 }),
        (level, slope) => {
          const fit = unwrap(
            fitPieces(
              xs,
              xs.map((x) => level + slope * x),
              1,
            ),
          );
          expect(fit.slopes[0]).toBeCloseTo(slope, 6);
          expect(fit.rss).toBeLessThan(1e-3);
        },
      ),
      { seed: 31 },
    );
  });

  test('a break is found at any place, with both slopes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 6, max: 53 }), fc.integer({ min: 2, max: 30 }), (at, steep) => {
        const knot = xs[at]!;
        const ys = xs.map((x) => (x <= knot ? steep * x : steep * knot + (steep / 5) * (x - knot)));
        const fit = unwrap(fitPieces(xs, ys, 2));
        expect(fit.knots[0]).toBeCloseTo(knot, 3);
        expect(fit.slopes).toEqual([expect.closeTo(steep, 4), expect.closeTo(steep / 5, 4)]);
        expect(fit.before[0]).toBeCloseTo(steep * knot, 3);
      }),
      { seed: 32 },
    );
  });

  test('two breaks are found together', () => {
    const ys = xs.map((x) => (x < 10 ? 3 * x : x < 20 ? 30 - (x - 10) : 20 + 5 * (x - 20)));
    const fit = unwrap(fitPieces(xs, ys, 3));
    expect(fit.knots[0]).toBeCloseTo(10, 1);
    expect(fit.knots[1]).toBeCloseTo(20, 1);
  });

  test('a jump is placed at the last sample before it', () => {
    const ys = xs.map((x) => (x <= 15 ? x : x - 40));
    expect(unwrap(fitPieces(xs, ys, 2)).knots[0]).toBe(15);
  });

  test('more pieces never fit worse, and large offsets cost no accuracy', () => {
    const random = seededRandom(6);
    const ys = xs.map(() => 1e9 + random.normal());
    const late = xs.map((x) => 1.7e9 + x);
    const rss = ([1, 2, 3] as const).map((k) => unwrap(fitPieces(late, ys, k)).rss);
    expect(rss[1]).toBeLessThanOrEqual(rss[0]!);
    expect(rss[2]).toBeLessThanOrEqual(rss[1]!);
    expect(rss[0]! / 60).toBeGreaterThan(0.3);
    expect(rss[0]! / 60).toBeLessThan(3);
  });

  test('too few points and no span are said', () => {
    expect(fitPieces([0, 1, 2], [1, 2, 3], 1)).toEqual({
      ok: false,
      error: { code: 'numerics.too_few_points' },
    });
    expect(fitPieces([5, 5, 5, 5], [1, 2, 3, 4], 1)).toEqual({
      ok: false,
      error: { code: 'numerics.no_time_span' },
    });
  });
});

describe('how sure more pieces are', () => {
  test('pure noise seldom looks like a break', () => {
    let fooled = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const random = seededRandom(seed);
      const ys = xs.map((x) => 4 * x + random.normal());
      const [one, two] = [unwrap(fitPieces(xs, ys, 1)), unwrap(fitPieces(xs, ys, 2))];
      if (surenessOfPieces(one, two, 1e-9) > 0.99) fooled += 1;
    }
    expect(fooled).toBeLessThan(20);
  });
  test('a clear break is sure, an exact line is not', () => {
    const bent = xs.map((x) => (x < 15 ? x : 15));
    expect(
      surenessOfPieces(unwrap(fitPieces(xs, bent, 1)), unwrap(fitPieces(xs, bent, 2)), 1e-6),
    ).toBeGreaterThan(0.999);
    expect(
      surenessOfPieces(unwrap(fitPieces(xs, xs, 1)), unwrap(fitPieces(xs, xs, 2)), 1e-6),
    ).toBeLessThan(0.6);
  });
});

import fc from 'fast-check';
import { seededRandom } from '../numerics';
import { costedShare, edgeSearch, middleOf, type EdgeLimits, type Light } from './edges';

const limits: EdgeLimits = { lowest: 500, highest: 2500, resolution: 50, failCost: 3 };

/** Lights where it is told to, between two sharp edges. */
function find(low: number, high: number, first: number, how = limits) {
  const lights: Light[] = [{ pressure: first, lit: first > low && first < high }];
  for (let i = 0; i < 60; i++) {
    const { next } = edgeSearch(lights, how);
    if (!next) break;
    lights.push({ pressure: next.pressure, lit: next.pressure > low && next.pressure < high });
  }
  return { lights, search: edgeSearch(lights, how) };
}

describe('edges of lighting', () => {
  test('both edges are found within the resolution, wherever they lie', () => {
    const pair = fc.tuple(
      fc.double({ min: 520, max: 1200, noNaN: true }),
      fc.double({ min: 1400, max: 2480, noNaN: true }),
    );
    fc.assert(
      fc.property(pair, ([low, high]) => {
        const { search, lights } = find(low, high, 1300);
        expect(search.isDone).toBe(true);
        expect(Math.abs(search.low.at! - low)).toBeLessThan(limits.resolution);
        expect(Math.abs(search.high.at! - high)).toBeLessThan(limits.resolution);
        expect(search.contradictions).toBe(0);
        expect(lights.length).toBeLessThan(45);
      }),
      { seed: 12 },
    );
  });

  test('a flame that never goes out ends at the ends of the range', () => {
    const { search, lights } = find(0, 9000, 1300);
    expect(search.low.at).toBe(limits.lowest);
    expect(search.high.at).toBe(limits.highest);
    expect(lights.every(({ lit }) => lit)).toBe(true);
  });

  test('nothing that lights ends the search without an edge', () => {
    const { search } = find(9000, 9001, 1300);
    expect(search.isDone).toBe(false);
    expect(search.next).toBeUndefined();
    expect(middleOf(search, { low: 800, high: 1500 })).toMatchObject({
      error: { code: 'coach.edges_not_found' },
    });
  });

  test('dearer failures mean fewer of them', () => {
    const failures = (failCost: number) =>
      [700, 800, 900, 1000].reduce(
        (sum, low) =>
          sum +
          find(low, 2000, 1300, { ...limits, failCost }).lights.filter(({ lit }) => !lit).length,
        0,
      );
    expect(failures(8)).toBeLessThan(failures(1));
  });

  test.each([
    [1, 0.5],
    [2, 0.381966],
    [3, 0.317672],
  ])('a failure as dear as %d lights divides at %d', (cost, share) => {
    expect(costedShare(cost)).toBeCloseTo(share, 5);
  });

  test('a weak flame counts as a failure, and a lucky light beyond one does not count', () => {
    const search = edgeSearch(
      [
        { pressure: 1300, lit: true },
        { pressure: 1200, lit: true },
        { pressure: 900, lit: true, weak: true },
        { pressure: 850, lit: true },
      ],
      limits,
    );
    expect(search.low.failed).toBe(900);
    expect(search.low.lit).toBe(1200);
    expect(search.contradictions).toBe(1);
  });

  describe('where two failures make an edge', () => {
    const twice = { ...limits, failures: 2 };
    const tries = (...all: readonly (readonly [number, boolean])[]) =>
      edgeSearch(
        all.map(([pressure, lit]) => ({ pressure, lit })),
        twice,
      );
    test('one that would be an edge is tried again, where it failed', () => {
      const search = tries([1300, true], [1270, false], [2500, true]);
      expect(search.low.isFound).toBe(false);
      expect(search.next).toMatchObject({ pressure: 1270, seeks: 'low' });
      const confirmed = tries([1300, true], [1270, false], [1268, false], [2500, true]);
      expect(confirmed.low).toMatchObject({ isFound: true, lit: 1300, failed: 1270 });
      expect(confirmed.isDone).toBe(true);
    });
    test('a misfire is forgotten when it lights twice, and the search goes on outward', () => {
      const once = tries([1300, true], [1270, false], [1270, true], [2500, true]);
      expect(once.next).toMatchObject({ pressure: 1270 });
      const again = tries([1300, true], [1270, false], [1270, true], [1270, true], [2500, true]);
      expect(again.low).toMatchObject({ lit: 1270, failed: undefined });
      expect(again.next!.pressure).toBeLessThan(1200);
    });
    test('what lit nearest to the edge counts, though it was tried beside a light further in', () => {
      const search = tries([1300, true], [1270, true], [1258, true], [1215, false], [1215, false]);
      expect(search.low).toMatchObject({ isFound: true, lit: 1258, failed: 1215 });
    });
    test('where luck decides is outside', () => {
      const soft = tries([1300, true], [1270, false], [1270, true], [1270, false], [2500, true]);
      expect(soft.low).toMatchObject({ isFound: true, lit: 1300, failed: 1270 });
    });
    test('both edges are found though one light in fifteen misfires', () => {
      let far = 0;
      for (let seed = 1; seed <= 60; seed++) {
        const random = seededRandom(seed);
        const [low, high] = [random.between(550, 1100), random.between(1500, 2400)];
        const lights: Light[] = [{ pressure: 1300, lit: true }];
        for (let i = 0; i < 80; i++) {
          const { next } = edgeSearch(lights, twice);
          if (!next) break;
          const lit = next.pressure > low && next.pressure < high && random.between(0, 1) > 1 / 15;
          lights.push({ pressure: next.pressure, lit });
        }
        const search = edgeSearch(lights, twice);
        const off = (edge: number | undefined, truth: number) =>
          edge === undefined || Math.abs(edge - truth) > 2 * limits.resolution;
        if (off(search.low.at, low) || off(search.high.at, high)) far += 1;
      }
      expect(far).toBeLessThanOrEqual(3);
    });
  });

  test('the middle stays inside the maker’s range, with its margins', () => {
    const { search } = find(800, 2000, 1300);
    const inside = middleOf(search, { low: 900, high: 1800 });
    expect(inside.ok && Math.abs(inside.value.pressure - 1400)).toBeLessThan(60);
    const moved = middleOf(search, { low: 900, high: 1100 });
    expect(moved.ok && moved.value.pressure).toBe(1100);
    expect(moved.ok && moved.value.toLow).toBeGreaterThan(200);
    expect(middleOf(search, { low: 2100, high: 2400 })).toMatchObject({
      error: { code: 'coach.maker_range_outside' },
    });
  });
});

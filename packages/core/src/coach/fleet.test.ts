import { seededRandom } from '../numerics';
import { fleetKindFor, learnFleet, type Lesson } from './fleet';

const lesson = (some: Partial<Lesson> = {}): Lesson => ({
  family: 'reducing',
  adjuster: 'main',
  spring: 'green',
  size_dn: 80,
  log_ratio: 0,
  sd: 0.05,
  ...some,
});
const next = (lessons: readonly Lesson[], some: Partial<Lesson> = {}) =>
  fleetKindFor(learnFleet(lessons), lesson(some));

describe('what the fleet teaches', () => {
  test('one valve moves the guess towards itself, many take it over', () => {
    const one = next([lesson({ log_ratio: 0.4 })])!;
    const many = next(Array.from({ length: 20 }, () => lesson({ log_ratio: 0.4 })))!;
    expect(one.mean).toBeGreaterThan(0.3);
    expect(one.mean).toBeLessThan(0.4);
    expect(many.mean).toBeCloseTo(0.4, 2);
    expect([one.valves, many.valves]).toEqual([1, 20]);
    expect(many.sd).toBeLessThan(0.75 * one.sd);
  });

  test('valves that differ leave the next one as open as they are', () => {
    const spread = [-0.4, -0.2, 0, 0.2, 0.4, -0.3, 0.3, 0.1, -0.1].map((log_ratio) =>
      lesson({ log_ratio }),
    );
    expect(next(spread)!.sd).toBeGreaterThan(0.22);
    expect(next(spread)!.sd).toBeLessThan(0.4);
  });

  test('no number of valves makes the next one certain', () => {
    expect(next(Array.from({ length: 500 }, () => lesson({ sd: 0.2 })))!.sd).toBeGreaterThanOrEqual(
      0.04,
    );
  });

  test('another size of a spring starts where the spring stands; another spring says nothing', () => {
    const met = Array.from({ length: 12 }, () => lesson({ log_ratio: 0.4 }));
    const other = next([...met, lesson({ size_dn: 200, log_ratio: 0.1 })], { size_dn: 200 })!;
    expect(other.valves).toBe(1);
    expect(other.mean).toBeGreaterThan(0.15);
    expect(next(met, { size_dn: 50 })).toMatchObject({ size_dn: null, valves: 12 });
    expect(next(met, { spring: 'red' })).toBeUndefined();
    expect(next(met, { family: 'gas' })).toBeUndefined();
    expect(next(met, { adjuster: 'reducing' })).toBeUndefined();
  });

  test('a screw without a chart is learned from its own rate', () => {
    const bare = (log_ratio: number) => lesson({ spring: '', log_ratio });
    const kind = next([bare(11.5), bare(11.6), bare(11.4)], { spring: '' })!;
    expect(kind.mean).toBeCloseTo(11.5, 1);
  });

  test('what it promises of the next valve is kept: two of three within one deviation', () => {
    const random = seededRandom(3);
    let inside = 0;
    const fleets = 400;
    for (let i = 0; i < fleets; i++) {
      const kind = 0.3 * random.normal();
      const draw = () => kind + 0.12 * random.normal();
      const met = Array.from({ length: 8 }, () =>
        lesson({ log_ratio: draw() + 0.05 * random.normal() }),
      );
      const { mean, sd } = next(met)!;
      if (Math.abs(draw() - mean) < sd) inside += 1;
    }
    expect(inside / fleets).toBeGreaterThan(0.62);
    expect(inside / fleets).toBeLessThan(0.8);
  });
});

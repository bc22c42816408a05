import fc from 'fast-check';
import { laneSpan } from './lane-span';

const aim = { lower: 505_000, upper: 535_000, limit: 660_000 };

describe('the span of a picture of a setting', () => {
  test('is filled by the moves: a switch set from 516 to 556 is not drawn from nothing to 900', () => {
    const { lowest, highest, hasLimit } = laneSpan(
      { lower: 551_000, upper: 561_000, limit: 800_000 },
      [516_000, 540_000, 556_000],
    );
    expect(lowest).toBeGreaterThan(500_000);
    expect(highest).toBeLessThan(575_000);
    expect(hasLimit).toBe(false);
  });

  test('holds a limit that is near, with room beyond it', () => {
    const { highest, hasLimit } = laneSpan(aim, [250_000, 416_000]);
    expect(hasLimit).toBe(true);
    expect(highest).toBeGreaterThan(aim.limit);
  });

  test('never looks closer than three lanes, so that one division does not fill it', () => {
    const { lowest, highest } = laneSpan(aim, [519_000, 520_000]);
    expect(highest - lowest).toBeGreaterThan(3 * (aim.upper - aim.lower));
  });

  test('goes below nothing only where that was read', () => {
    expect(laneSpan(aim, [0, 300_000]).lowest).toBe(0);
    expect(laneSpan(aim, [-4000]).lowest).toBeLessThan(-4000);
  });

  test('has everything inside, and the moves fill two thirds of it where the limit is far', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 900_000 }), { maxLength: 12 }),
        fc.integer({ min: 540_000, max: 5_000_000 }),
        (read, limit) => {
          const span = laneSpan({ ...aim, limit }, read);
          for (const each of [...read, aim.lower, aim.upper]) {
            expect(each).toBeGreaterThanOrEqual(span.lowest);
            expect(each).toBeLessThan(span.highest);
          }
          if (span.hasLimit) expect(limit).toBeLessThan(span.highest);
          const spread = Math.max(aim.upper, ...read) - Math.min(aim.lower, ...read);
          if (!span.hasLimit && spread > 3 * 30_000)
            expect(spread / (span.highest - span.lowest)).toBeGreaterThan(0.66);
        },
      ),
      { seed: 7 },
    );
  });
});

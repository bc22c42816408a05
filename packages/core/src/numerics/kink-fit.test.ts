import { fitKink } from './kink-fit';
import { seededRandom } from './random';

const plain = { resolution: 0.1, isJumping: false, independent: 1 };
const xs = Array.from({ length: 120 }, (_, i) => i);

/** A gently bent way up that bends at once where x is 80, by so much, with noise. */
const bent = (bend: number, noise: number, seed = 1, leap = 0): number[] => {
  const random = seededRandom(seed);
  return xs.map(
    (x) =>
      2 * x -
      0.004 * x ** 2 -
      bend * Math.max(0, x - 80) -
      (x > 80 ? leap : 0) +
      noise * random.normal(),
  );
};
const AT = 2 * 80 - 0.004 * 80 ** 2;

describe('a bend in a curve', () => {
  test('is found where it is, with bounds about it', () => {
    const kink = fitKink(xs, bent(1, 0.3), plain)!;
    expect(Math.abs(kink.x - 80)).toBeLessThan(1);
    expect(Math.abs(kink.y - AT)).toBeLessThan(1);
    expect(kink.low).toBeLessThan(kink.y);
    expect(kink.high).toBeGreaterThan(kink.y);
    expect(kink.high - kink.low).toBeLessThan(3);
    expect(kink.says).toBeGreaterThan(100);
  });
  test('its bounds hold it about nine times in ten', () => {
    let held = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const { low, high } = fitKink(xs, bent(0.6, 0.6, seed), plain)!;
      if (low <= AT && AT <= high) held += 1;
    }
    expect(held).toBeGreaterThanOrEqual(174);
    expect(held).toBeLessThanOrEqual(198);
  });
  test('that is smooth says next to nothing', () => {
    for (let seed = 1; seed <= 20; seed++)
      expect(fitKink(xs, bent(0, 0.5, seed), plain)!.says).toBeLessThan(8);
  });
  test('says less where fewer of the readings count', () => {
    const all = fitKink(xs, bent(0.3, 0.6), plain)!;
    const few = fitKink(xs, bent(0.3, 0.6), { ...plain, independent: 0.2 })!;
    expect(few.says).toBeLessThan(all.says / 2);
    expect(few.high - few.low).toBeGreaterThan(all.high - all.low);
  });
  test('may leap, and is then better told with a leap', () => {
    const ys = bent(1, 0.3, 2, 6);
    const without = fitKink(xs, ys, plain)!;
    const leaping = fitKink(xs, ys, { ...plain, isJumping: true })!;
    expect(leaping.says).toBeGreaterThan(without.says + 10);
    expect(Math.abs(leaping.y - AT)).toBeLessThan(1);
  });
  test('wants samples on both sides, over some time', () => {
    expect(fitKink(xs.slice(0, 11), bent(1, 0).slice(0, 11), plain)).toBeUndefined();
    expect(
      fitKink(
        xs.map(() => 3),
        bent(1, 0),
        plain,
      ),
    ).toBeUndefined();
  });
});

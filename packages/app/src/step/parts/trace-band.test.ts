import { traceBand } from './trace-band';

/** A gauge that flickers between two divisions, five times a second. */
const flickering = Array.from({ length: 300 }, (_, i) => ({
  t: i / 5,
  value: 500_000 + 2000 * (i % 2),
}));

describe('a dense trace', () => {
  test('that flickers between two divisions is a line in its middle, and its band', () => {
    const band = traceBand(flickering, 4)!;
    expect(band).toHaveLength(15);
    for (const { mean, low, high } of band) {
      expect(mean).toBeCloseTo(501_000, 0);
      expect([low, high]).toEqual([500_000, 502_000]);
    }
    expect(band[0]!.t).toBeCloseTo(1.9, 6);
  });

  test('shows a dip of a single sample in its band', () => {
    const dipped = flickering.map((sample, i) => (i === 150 ? { ...sample, value: 0 } : sample));
    expect(Math.min(...traceBand(dipped, 4)!.map(({ low }) => low))).toBe(0);
  });
});

test('a trace that a line can follow stays a line', () => {
  const sparse = flickering.filter((_, i) => i % 10 === 0);
  expect(traceBand(sparse, 4)).toBeUndefined();
  expect(traceBand([], 4)).toEqual([]);
});

import fc from 'fast-check';
import { correctionAt, correctionsSchema, shownAt, type GaugeCorrection } from './corrections';

const table: readonly GaugeCorrection[] = [
  { shown_pa: 0, add_pa: 0 },
  { shown_pa: 200_000, add_pa: 800 },
  { shown_pa: 400_000, add_pa: -1200 },
];

describe('the corrections of a certificate', () => {
  test.each([
    [0, 0],
    [100_000, 400],
    [200_000, 800],
    [250_000, 300],
    [400_000, -1200],
    [-5000, 0],
    [600_000, -1200],
  ])('at %d Pa shown: %d Pa', (shown, add) => {
    expect(correctionAt({ corrections: table }, shown)).toBeCloseTo(add, 9);
  });

  test('nothing without a table', () => {
    expect(correctionAt({}, 300_000)).toBe(0);
    expect(shownAt({}, 300_000)).toBe(300_000);
  });

  test('what is shown at a pressure leads back to it', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e5, max: 6e5, noNaN: true }), (shown) => {
        const actual = shown + correctionAt({ corrections: table }, shown);
        expect(shownAt({ corrections: table }, actual)).toBeCloseTo(shown, 5);
      }),
    );
  });

  test('no further than a gauge goes, and of forty points at the most', () => {
    const parses = (points: readonly GaugeCorrection[]) =>
      correctionsSchema.safeParse(points).success;
    const at = (shown_pa: number, add_pa = 0): GaugeCorrection => ({ shown_pa, add_pa });
    expect([parses([at(1e9)]), parses([at(1e9 + 1)])]).toEqual([true, false]);
    expect([parses([at(-1e9)]), parses([at(-1e9 - 1)])]).toEqual([true, false]);
    expect([parses([at(0, 1e9)]), parses([at(0, 1e9 + 1)])]).toEqual([true, false]);
    const points = Array.from({ length: 41 }, (_, i) => at(i * 1000));
    expect([parses(points.slice(1)), parses(points)]).toEqual([true, false]);
  });

  test.each<[string, readonly GaugeCorrection[]]>([
    ['runs backwards', [table[1]!, table[0]!]],
    ['names a point twice', [table[0]!, table[0]!]],
    ['folds: two showings of one pressure', [table[0]!, { shown_pa: 1000, add_pa: -1000 }]],
    ['is empty', []],
  ])('a table that %s is refused', (_, wrong) => {
    expect(correctionsSchema.safeParse(wrong).success).toBe(false);
    expect(correctionsSchema.safeParse(table).success).toBe(true);
  });
});

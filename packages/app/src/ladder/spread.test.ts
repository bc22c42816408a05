import { idFor } from './id-for';
import { spreadLabels } from './spread';

const gapsHold = (places: readonly number[], gap: number) => {
  const sorted = [...places].sort((a, b) => a - b);
  sorted
    .slice(1)
    .forEach((place, i) => expect(place - sorted[i]!).toBeGreaterThanOrEqual(gap - 1e-9));
};

describe('labels beside a ladder', () => {
  test('stay where they wish while there is room', () => {
    expect(spreadLabels([10, 200, 100], 40, 400)).toEqual([10, 200, 100]);
  });
  test('share the room about their common middle when they would touch', () => {
    const places = spreadLabels([100, 101, 102], 40, 400);
    expect(places).toEqual([61, 101, 141]);
  });
  test('keep the order of their rungs, and never overlap, from 2 to 20 of them', () => {
    for (let count = 2; count <= 20; count++)
      for (let seed = 1; seed <= 20; seed++) {
        const wishes = Array.from(
          { length: count },
          (_, i) => ((Math.sin(seed * 12.9 + i * 78.2) + 1) / 2) * count * 44,
        );
        const places = spreadLabels(wishes, 40, count * 44);
        gapsHold(places, 40);
        for (let i = 0; i < count; i++)
          for (let j = 0; j < count; j++)
            if (wishes[i]! < wishes[j]!) expect(places[i]!).toBeLessThan(places[j]!);
        for (const place of places) {
          expect(place).toBeGreaterThanOrEqual(-1e-9);
          expect(place).toBeLessThanOrEqual(count * 44 + 1e-9);
        }
      }
  });
});

test('a name becomes an id that is not taken', () => {
  expect(idFor('Zone 1, upper', [])).toBe('zone_1_upper');
  expect(idFor('Zone 1', ['zone_1', 'zone_1_2'])).toBe('zone_1_3');
  expect(idFor('…', [])).toBe('rung');
});

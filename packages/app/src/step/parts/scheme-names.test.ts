import { families, type Family } from '@holvek/core';
import { SCHEME_WIDE } from '@/family/scheme';
import { familyView } from '@/family/views';
import { namesOf, touch } from './scheme-names';

const all = Object.keys(families) as Family[];
const drawn = all.flatMap((family) => {
  const { scheme } = familyView(family);
  return scheme ? [[family, scheme] as const] : [];
});

describe.each(drawn)('the line of %s', (family, scheme) => {
  test('no two names touch, and none is cut', () => {
    const names = namesOf(scheme);
    const touching = names.flatMap((a, i) =>
      names.slice(i + 1).flatMap((b) => (touch(a, b) ? [`${a.text} / ${b.text}`] : [])),
    );
    expect(touching).toEqual([]);
    for (const { left, width, top, high } of names) {
      expect(left).toBeGreaterThanOrEqual(0);
      expect(left + width).toBeLessThanOrEqual(SCHEME_WIDE);
      expect(top).toBeGreaterThanOrEqual(0);
      expect(top + high).toBeLessThanOrEqual(scheme.high);
    }
  });

  test('shows every adjuster and every gauge of its family', () => {
    const shown = scheme.parts.flatMap(({ adjuster }) => adjuster ?? []);
    expect([...shown].sort()).toEqual(families[family].adjusters.map(({ id }) => id).sort());
    const gauges = scheme.parts.flatMap(({ gauge }) => gauge ?? []);
    expect([...gauges].sort()).toEqual(Object.keys(families[family].gauges).sort());
  });

  test('everything stands within it', () => {
    const points = [...scheme.parts.map(({ at }) => at), ...scheme.ways.flatMap((w) => w.through)];
    for (const [x, y] of points) {
      expect(x >= 0 && x <= SCHEME_WIDE).toBe(true);
      expect(y >= 0 && y <= scheme.high).toBe(true);
    }
  });
});

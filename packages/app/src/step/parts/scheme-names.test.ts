import { families, procedureOf, type Family } from '@holvek/core';
import { SCHEME_WIDE } from '@/family/scheme';
import { familyView } from '@/family/views';
import { namesOf, stateUnder, touch } from './scheme-names';

const all = Object.keys(families) as Family[];
const drawn = all.map((family) => [family, familyView(family).scheme] as const);

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

  test('how a fitting stands is said where no other name is', () => {
    const names = namesOf(scheme);
    const states = names.filter(({ part }) => part.fitting !== undefined);
    const touching = states.flatMap((own) =>
      names
        .filter((other) => other !== own)
        .filter((other) => touch(stateUnder(own), other))
        .map((other) => `state of ${own.text} / ${other.text}`),
    );
    expect(touching).toEqual([]);
    for (const own of states) {
      const { top, high } = stateUnder(own);
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

  test('shows every fitting that its procedure moves', () => {
    const shown = scheme.parts.flatMap(({ fitting }) => fitting ?? []);
    expect([...shown].sort()).toEqual(
      procedureOf(family)
        .fittings.map(({ key }) => key)
        .sort(),
    );
  });

  test('a way that leads to something leads to something that is drawn', () => {
    const shown = scheme.parts.flatMap(({ fitting, adjuster }) => [fitting, adjuster]);
    for (const { of } of scheme.ways) if (of !== undefined) expect(shown).toContain(of);
  });

  test('everything stands within it', () => {
    const points = [...scheme.parts.map(({ at }) => at), ...scheme.ways.flatMap((w) => w.through)];
    for (const [x, y] of points) {
      expect(x >= 0 && x <= SCHEME_WIDE).toBe(true);
      expect(y >= 0 && y <= scheme.high).toBe(true);
    }
  });
});

import fc from 'fast-check';
import { canonicalJson, digestOf, digestSchema } from './canonical';
import { withPlainFigures } from './figures';

describe('a digest', () => {
  test('is the SHA-256 of the canonical text', () => {
    // echo -n '{"a":1}' | sha256sum
    expect(digestOf({ a: 1 })).toBe(
      '015abd7f5cc57a2dd94b7590f04ad8084273905ee33ec5cebeae62276a97f862',
    );
    expect(digestSchema.safeParse(digestOf([])).success).toBe(true);
    expect(digestSchema.safeParse(`${digestOf([])}0`).success).toBe(false);
  });
});

describe('plain figures', () => {
  test('two engines that differ in the last bit write the same', () => {
    const here = { rate: 203_411.123_456_78, dots: [0.1 + 0.2], at_ms: 1_795_000_000_123 };
    const there = { rate: 203_411.123_456_781, dots: [0.3], at_ms: 1_795_000_000_123 };
    expect(canonicalJson(here)).not.toBe(canonicalJson(there));
    expect(canonicalJson(withPlainFigures(here))).toBe(canonicalJson(withPlainFigures(there)));
  });

  test('leaves what is no figure, and whole numbers of any length', () => {
    const value = { at_ms: 1_795_000_000_123, name: '0.123456789012', none: null, yes: true };
    expect(withPlainFigures(value)).toEqual(value);
    expect(withPlainFigures(0.123_456_789_012)).toBe(0.123_456_789);
  });
});

describe('canonical JSON', () => {
  test('does not depend on the order of keys', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.string(), fc.oneof(fc.integer(), fc.string(), fc.boolean())),
        (value) => {
          const turned = Object.fromEntries(Object.entries(value).reverse());
          expect(canonicalJson(turned)).toBe(canonicalJson(value));
        },
      ),
      { seed: 41 },
    );
  });

  test('is what RFC 8785 writes', () => {
    expect(canonicalJson({ b: [1e21, 0.1, -0], a: 'é\n' })).toBe('{"a":"é\\n","b":[1e+21,0.1,0]}');
    expect(() => canonicalJson(undefined)).toThrow();
  });
});

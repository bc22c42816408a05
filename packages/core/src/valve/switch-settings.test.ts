import fc from 'fast-check';
import { switchBand, switchKindOf, switchSettings } from './switch-settings';

describe('switch settings', () => {
  test.each([
    ['additive', 60, 80, 60, 20],
    ['subtractive', 60, 80, 80, 20],
    ['additive', 550, 700, 550, 150],
    ['subtractive', 550, 700, 700, 150],
  ] as const)(
    '%s, %d to %d: scale %d, differential %d',
    (kind, cutIn, cutOut, scale, differential) => {
      expect(switchSettings(kind, { cutIn, cutOut }, 10)).toEqual({
        ok: true,
        value: { scale, differential },
      });
      expect(switchBand(kind, { scale, differential })).toEqual({
        ok: true,
        value: { cutIn, cutOut },
      });
    },
  );

  test('band and settings are each other’s inverse', () => {
    const kinds = fc.constantFrom('additive' as const, 'subtractive' as const);
    fc.assert(
      fc.property(
        kinds,
        fc.integer({ min: 0, max: 9e5 }),
        fc.integer({ min: 1, max: 9e5 }),
        (kind, cutIn, d) => {
          const set = switchSettings(kind, { cutIn, cutOut: cutIn + d }, 0);
          expect(set.ok && switchBand(kind, set.value)).toEqual({
            ok: true,
            value: { cutIn, cutOut: cutIn + d },
          });
        },
      ),
      { seed: 10 },
    );
  });

  test('a negative differential and one under the least are refused', () => {
    expect(switchSettings('additive', { cutIn: 80, cutOut: 60 }, 10)).toMatchObject({
      error: { code: 'valve.differential_not_positive', differential: -20 },
    });
    expect(switchSettings('additive', { cutIn: 60, cutOut: 65 }, 10)).toMatchObject({
      error: { code: 'valve.differential_too_small', differential: 5, least: 10 },
    });
    expect(switchBand('additive', { scale: 60, differential: 0 })).toMatchObject({ ok: false });
  });

  test.each([
    ['CUT-IN', 'additive'],
    ['Cut out', 'subtractive'],
    ['low pressure', 'additive'],
    ['High', 'subtractive'],
    ['pressure', undefined],
    ['Below', undefined],
    ['flow', undefined],
    ['highway', undefined],
    ['Makes at', 'additive'],
    ['cut in / cut out', undefined],
  ])('“%s” at the scale: %s', (printed, kind) => expect(switchKindOf(printed)).toBe(kind));
});

import fc from 'fast-check';
import {
  convertSignal,
  fractionOf,
  idealOutput,
  partOf,
  splitMeets,
  standardOf,
  standardSignals,
} from './signals';
import { toSI } from './units';

const named = (id: string) => standardSignals.find((each) => each.id === id)!;

describe('signals', () => {
  test.each([
    [4, 3, 20, 0, 0],
    [8, 6, 40, 2.5, 25],
    [12, 9, 60, 5, 50],
    [16, 12, 80, 7.5, 75],
    [20, 15, 100, 10, 100],
  ])('%d mA is %d psi, %d kPa, %d V and %d %%', (mA, psi, kPa, volts, percent) => {
    const to = (id: string) => {
      const found = convertSignal(named('4-20mA'), named(id), mA / 1000);
      return found.ok ? found.value : Number.NaN;
    };
    expect(to('3-15psi')).toBeCloseTo(toSI(psi, 'psi'), 6);
    expect(to('20-100kPa')).toBeCloseTo(kPa * 1000, 6);
    expect(to('0-10V')).toBeCloseTo(volts, 9);
    expect(to('0-100%')).toBeCloseTo(percent / 100, 9);
  });

  test.each([
    // Split ranges, either way round, and one whose end is off by less than can be typed.
    [0.004, 0.012, '4-20mA'],
    [0.02, 0.012, '4-20mA'],
    [0.002, 0.012, undefined],
    [0.004 * (1 - 1e-12), 0.02, '4-20mA'],
    [0.02 * (1 + 1e-12), 0.004, '4-20mA'],
    [0.021, 0.004, undefined],
  ])('%d to %d A is a part of %s', (low, high, id) => {
    expect(standardOf({ kind: 'current', low, high })?.id).toBe(id);
  });

  test('a conversion there and back is where it was', () => {
    const any = fc.constantFrom(...standardSignals);
    fc.assert(
      fc.property(any, any, fc.double({ min: -0.2, max: 1.2, noNaN: true }), (a, b, at) => {
        const value = a.low + at * (a.high - a.low);
        const there = convertSignal(a, b, value);
        const back = there.ok ? convertSignal(b, a, there.value) : there;
        expect(
          back.ok && Math.abs(back.value - value) <= 1e-9 * Math.max(1, Math.abs(a.high)),
        ).toBe(true);
      }),
      { seed: 31 },
    );
  });

  test('a span of zero has no fraction', () => {
    expect(fractionOf({ kind: 'current', low: 0.004, high: 0.004 }, 0.012)).toEqual({
      ok: false,
      error: { code: 'quantity.span_of_zero' },
    });
  });

  test('the halves of a split range meet; a gap and an overlap are told apart', () => {
    const whole = named('4-20mA');
    const [lower, upper] = [partOf(whole, 0, 0.5), partOf(whole, 0.5, 1)];
    expect(upper.low).toBeCloseTo(0.012, 12);
    expect(splitMeets(lower, upper)).toEqual({ ok: true, value: true });
    expect(splitMeets(upper, lower)).toEqual({ ok: true, value: true });
    expect(splitMeets(lower, partOf(whole, 0.6, 1))).toMatchObject({
      error: { code: 'quantity.split_gap' },
    });
    expect(splitMeets(lower, partOf(whole, 0.4, 1))).toMatchObject({
      error: { code: 'quantity.split_overlap' },
    });
  });

  test('a part of a signal finds the tightest usual one around it', () => {
    expect(standardOf({ kind: 'pressure', low: 60_000, high: 100_000 })?.id).toBe('20-100kPa');
    expect(standardOf(partOf(named('4-20mA'), 0.5, 1))?.id).toBe('4-20mA');
    expect(standardOf({ kind: 'pressure', low: 0, high: 1e6 })).toBeUndefined();
  });

  test('reverse action turns the output round', () => {
    expect(idealOutput(0.25, 'direct')).toBe(0.25);
    expect(idealOutput(0.25, 'reverse')).toBe(0.75);
  });
});

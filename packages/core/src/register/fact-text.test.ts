import { absolutePa } from '../quantity';
import type { FactKind, PlateFact } from '../valve';
import { factText, readFact, readSignalEnd, signalEndText } from './fact-text';

const writing = { unit: 'bar', barometer: absolutePa(101_325) };
const fact = (kind: FactKind, over: Partial<PlateFact> = {}): PlateFact =>
  ({ path: 'x', label: 'X', ...kind, ...over }) as PlateFact;
const celsius = fact({ kind: 'figure', unit: '°C', factor: 1, offset: 273.15 });
const metres = fact({ kind: 'figure', unit: 'm', factor: 1 });
const squareMm = fact({ kind: 'figure', unit: 'mm²', factor: 1e-6 });
const choice = fact({ kind: 'choice', options: [{ value: 'pilot', say: 'a pilot' }] });

describe('what is typed of a fact', () => {
  test.each([
    ['a pressure in the unit of the phone', fact({ kind: 'pressure' }), '5,2', 520_000],
    ['a pressure in its own unit', fact({ kind: 'pressure' }), '21 mbar', 2100],
    ['a vacuum', fact({ kind: 'pressure' }), '-0.2', -20_000],
    ['a difference', fact({ kind: 'difference' }), '0.5', 50_000],
    ['degrees', celsius, '20', 293.15],
    ['degrees with their unit', celsius, '-5 °C', 268.15],
    ['degrees of another scale', celsius, '140 °F', 333.15],
    ['feet', metres, '12 ft', 3.6576],
    ['feet and inches', metres, '5\' 6"', 1.6764],
    ['a finer unit', metres, '-340 cm', -3.4],
    ['what is kept in another', fact({ kind: 'figure', unit: 'mm', factor: 1e-3 }), '1 in', 0.0254],
    ['minutes for seconds', fact({ kind: 'figure', unit: 's', factor: 1 }), '1.5 min', 90],
    ['a share', fact({ kind: 'figure', unit: '%', factor: 0.01 }), '0.5 %', 0.005],
    ['yes', fact({ kind: 'yes_no' }), 'yes', true],
    ['no', fact({ kind: 'yes_no' }), 'no', false],
    ['one of a few', choice, 'pilot', 'pilot'],
    ['a list', fact({ kind: 'list' }), ' cock; strainer, ', ['cock', 'strainer']],
    ['no list', fact({ kind: 'list' }), '', []],
    ['words', fact({ kind: 'text' }), ' north ', 'north'],
    ['nothing that need be', fact({ kind: 'text' }, { optional: true }), ' ', undefined],
  ])('%s', (_, each, text, value) => {
    expect(readFact(each, text, writing)).toEqual({ ok: true, value });
  });

  test.each([
    ['nothing where it is wanted', fact({ kind: 'pressure' }), '', 'register.missing'],
    ['another choice', choice, 'spring', 'register.no_choice'],
    ['a word for a figure', celsius, 'warm', 'register.no_number'],
    ['a figure of another unit', celsius, '20 bar', 'register.no_number'],
    ['a length for a pressure', fact({ kind: 'pressure' }), '3 m', 'quantity.wrong_kind'],
    ['a pressure for a length', metres, '3 bar', 'register.no_number'],
    ['an area in a unit that nobody knows', squareMm, '3 m', 'register.no_number'],
    ['less than nothing', fact({ kind: 'pressure' }), '-2 bar', 'quantity.below_absolute_zero'],
    ['either mark', fact({ kind: 'pressure' }), '1,234', 'quantity.ambiguous_number'],
  ])('%s is refused', (_, each, text, code) => {
    expect(readFact(each, text, writing)).toMatchObject({ ok: false, error: { code } });
  });

  test('what is kept is shown as it would be typed', () => {
    expect(factText(fact({ kind: 'pressure' }), 520_000, writing)).toBe('5.2');
    expect(factText(celsius, 293.15, writing)).toBe('20');
    expect(factText(fact({ kind: 'list' }), ['a', 'b'], writing)).toBe('a, b');
    expect(factText(fact({ kind: 'yes_no' }), false, writing)).toBe('no');
    expect(factText(choice, 'pilot', writing)).toBe('pilot');
    expect(factText(celsius, undefined, writing)).toBe('');
  });
});

describe('an end of a signal', () => {
  test.each([
    ['4', 'mA', 0.004],
    ['100', '%', 1],
    ['3', 'psi', 20_684.2718795],
    ['10', 'V', 10],
  ])('%s %s', (text, unit, si) => {
    expect(readSignalEnd(text, unit)).toEqual({ ok: true, value: si });
    expect(signalEndText(si, unit)).toBe(text);
  });
  test('a word, a unit or nothing is refused', () => {
    expect(readSignalEnd('four', 'mA')).toMatchObject({ error: { code: 'register.no_number' } });
    expect(readSignalEnd('4 mA', 'mA')).toMatchObject({ error: { code: 'register.no_number' } });
    expect(readSignalEnd(' ', 'mA')).toMatchObject({ error: { code: 'register.missing' } });
  });
});

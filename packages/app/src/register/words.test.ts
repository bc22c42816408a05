import { absolutePa, completed, newDraft, readDraft } from '@holvek/core';
import { draftTrouble } from '@/words/draft-trouble';
import { missingWords } from './missing-words';
import type { Units } from '@/units/use-units';

const reading = { id: 'v', writing: { unit: 'kPa', barometer: absolutePa(101_325) }, others: [] };
const units = {} as Units;

describe('what is still wanted of a new valve', () => {
  test('names the first three fields and counts the others', () => {
    const { shape, texts } = newDraft('reducing');
    expect(missingWords(readDraft({ shape, texts }, reading), shape)).toMatch(
      /^Still wanted: Tag, Size, Inlet rated to and \d+ more\.$/,
    );
    const all = { ...texts, 'plate.size_dn': '80', 'plate.inlet_rating_pa': '1600' };
    expect(missingWords(readDraft({ shape, texts: all }, reading), shape)).toMatch(
      /^Still wanted: Tag, Outlet rated to, /,
    );
  });

  test('a signal is named once, by what it is', () => {
    const { shape, texts } = completed(newDraft('indicator'));
    const { issues } = readDraft({ shape, texts }, reading);
    const ends = issues.filter(({ path }) => path.startsWith('plate.input.'));
    expect(ends).toHaveLength(2);
    expect(missingWords({ valve: undefined, issues: ends, plate: [] }, shape)).toBe(
      'Still wanted: Signal in.',
    );
  });

  test('all there, it can be set, unless it contradicts itself', () => {
    const { shape } = newDraft('gas');
    const whole = { valve: {} as never, issues: [] };
    expect(missingWords({ ...whole, plate: [] }, shape)).toMatch(/can be set/);
    const upside = { code: 'valve.range_upside_down', stops: true, colour: 'red' } as const;
    expect(missingWords({ ...whole, plate: [upside] }, shape)).toMatch(/contradicts itself/);
    const better = { code: 'valve.better_spring', stops: false, colour: 'red' } as const;
    expect(missingWords({ ...whole, plate: [better] }, shape)).toMatch(/can be set/);
  });
});

describe('what is wrong with a field', () => {
  test.each([
    [{ code: 'register.missing' } as const, /read off/],
    [{ code: 'register.no_choice' } as const, /Choose/],
    [{ code: 'register.no_place' } as const, /No place/],
    [{ code: 'register.no_number', unit: 'mm²' } as const, /in mm²/],
    [{ code: 'register.out_of_range', say: 'too big' } as const, /too big/],
    [{ code: 'register.tag_taken', id: 'v', tag: 'PRV-1' } as const, /PRV-1 is in the register/],
    [{ code: 'quantity.unknown_unit', unit: 'furlong' } as const, /furlong is no unit/],
  ])('%o has words', (error, words) => {
    expect(draftTrouble(error, units)).toMatch(words);
  });
});

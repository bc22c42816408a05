import { rulesFor, type SeasonRule } from '@holvek/core';
import { ruleFrom } from './rules-card';
import {
  barSentence,
  hoursWords,
  loadWords,
  ruleWords,
  shortDay,
  wantedWords,
  worthWords,
} from './season-words';
import { latestSeason } from './use-season-desk';

const nb = (text: string): string => text.replaceAll(' ', '\u00a0');
const rules: readonly SeasonRule[] = [
  {
    kind: 'only_between',
    id: '1',
    why: 'Lift stands',
    valve_ids: ['a'],
    from: '2026-12-07',
    to: '2026-12-11',
  },
  { kind: 'before', id: '2', why: 'Header first', first: 'b', then: 'a' },
  { kind: 'together', id: '3', why: 'One shut-down', valve_ids: ['b', 'c'] },
];

describe('words of a season', () => {
  test('minutes as hours', () => {
    expect([0, 59.6, 60, 125, 61].map(hoursWords)).toEqual(
      ['0 min', '1 h', '1 h', '2 h 05', '1 h 01'].map(nb),
    );
    expect(loadWords({ asked: 95, there: 240 })).toBe('2/4');
  });

  test('what a move is worth', () => {
    expect(worthWords(0.4)).toBe('costs nothing more');
    expect(worthWords(65)).toBe(`as bad as ${nb('1 h 05')} of work more`);
    expect(worthWords(-20)).toBe(`as good as ${nb('20 min')} of work less`);
  });

  test('when a valve is wanted', () => {
    const wanted = {
      because: 'drift',
      duty: 'gas',
      earliest: '2026-11-01',
      likely: '2026-11-25',
      late: '2026-12-01',
    } as const;
    expect(wantedWords(wanted, '2026-11-20')).toMatch(/^Wanted by 25\s?Nov/u);
    expect(wantedWords(wanted, '2026-11-25')).toMatch(/^Wanted now: its drift/u);
    expect(wantedWords(wanted, '2026-12-01')).toMatch(/^Wanted now/u);
    expect(wantedWords(wanted, '2026-12-02')).toMatch(/^Late by 1 day:/u);
    expect(wantedWords(wanted, '2026-12-03')).toMatch(/^Late by 2 days:/u);
    expect(shortDay('2026-12-03')).toBe(nb('Thu 3 Dec'));
  });

  test('a day that the owner closed is said in his words', () => {
    expect(barSentence('day_closed', rules.slice(0, 1))).toBe('Lift stands');
    expect(barSentence('day_closed', [])).toBe('not open to it');
    expect(barSentence('no_hand', rules)).toBe('nobody with the licence');
  });

  test('rules are found by the valves they name, and read in a line', () => {
    const ids = (valve: string) => rulesFor(rules, valve).map(({ id }) => id);
    expect([ids('a'), ids('b'), ids('c'), ids('d')]).toEqual([['1', '2'], ['2', '3'], ['3'], []]);
    const tagOf = (id: string) => id.toUpperCase();
    expect(rules.map((rule) => ruleWords(rule, tagOf))).toEqual([
      `Only ${nb('7 Dec')} to ${nb('11 Dec')}: A`,
      'First B, then A',
      'Together: B, C',
    ]);
  });
});

describe('a rule that is typed', () => {
  const byTag = new Map([
    ['prv-08', 'a'],
    ['prv-14', 'b'],
  ]);
  const from = (kind: SeasonRule['kind'], tags: string, days = '', why = 'guns run') =>
    ruleFrom(kind, { tags, days, why }, byTag);

  test('names valves by their tags, in any case', () => {
    expect(from('together', 'PRV-08, prv-14')).toMatchObject({ valve_ids: ['a', 'b'] });
    expect(from('before', 'PRV-14 PRV-08')).toMatchObject({ first: 'b', then: 'a' });
    expect(from('not_between', 'PRV-08', '2026-12-07 to 2026-12-11')).toMatchObject({
      from: '2026-12-07',
      to: '2026-12-11',
      why: 'guns run',
    });
  });

  test.each<[string, SeasonRule | string]>([
    ['There is no valve PRV-99.', from('together', 'PRV-08, PRV-99')],
    ['Which valves? Type their tags.', from('together', ' , ')],
    ['Why? Whoever plans later will ask.', from('together', 'PRV-08 PRV-14', '', ' ')],
    ['Two tags or more are visited in one go.', from('together', 'PRV-08, PRV-08')],
    ['Two tags: the first before the second.', from('before', 'PRV-08')],
    ['Two tags: the first before the second.', from('before', 'PRV-08 PRV-08')],
    ['Which days? As 2026-12-07 to 2026-12-11.', from('only_between', 'PRV-08', 'soon')],
  ])('%s', (words, said) => {
    expect(said).toBe(words);
  });
});

test('the season that is looked at is the one that begins last', () => {
  const of = (id: string, from: string) => ({ id, from }) as never;
  expect(latestSeason([of('b', '2026-11-23'), of('a', '2025-11-24')])).toMatchObject({ id: 'b' });
  expect(latestSeason([])).toBeUndefined();
});

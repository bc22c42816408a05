import { clashesOf, type MadeProblem, type Season, type SeasonRule } from '.';

const days = ['2026-11-23', '2026-11-24', '2026-11-25', '2026-11-26'];
const made = (valves: readonly string[] = ['a'], capacity = [60, 60, 60, 60], until = 9) =>
  ({
    days,
    people: [{ id: 'ines' }],
    problem: { capacity: [capacity], blocks: [{ valves, until: [until] }] },
  }) as unknown as MadeProblem;
const season = (...rules: SeasonRule[]): Season => ({ rules }) as unknown as Season;
const only = (id: string, from: number, to: number, valve = 'a'): SeasonRule => ({
  kind: 'only_between',
  id,
  why: id,
  valve_ids: [valve],
  from: days[from]!,
  to: days[to]!,
});
const not = (id: string, from: number, to: number): SeasonRule => ({
  ...(only(id, from, to) as Extract<SeasonRule, { kind: 'only_between' }>),
  kind: 'not_between',
});
const before = (id: string, first: string, then: string): SeasonRule => ({
  kind: 'before',
  id,
  why: id,
  first,
  then,
});
const names = (...of: Parameters<typeof clashesOf>) =>
  clashesOf(...of).map(({ valves, rules }) => [valves.join(), ...rules.map(({ id }) => id)]);

describe('rules that cannot all hold', () => {
  test('are named, and none that is to spare', () => {
    const rules = [not('far', 0, 0), only('early', 0, 1), only('late', 2, 3), not('other', 3, 3)];
    expect(names(season(...rules), made())).toEqual([['a', 'early', 'late']]);
  });

  test('hold where one day is left', () => {
    expect(names(season(only('x', 0, 1), not('y', 0, 0)), made())).toEqual([]);
    expect(names(season(only('x', 0, 1), not('y', 0, 1)), made())).toEqual([['a', 'x', 'y']]);
  });

  test('clash with the hours that there are', () => {
    expect(names(season(only('x', 0, 1)), made(['a'], [0, 0, 60, 60]))).toEqual([['a', 'x']]);
    expect(names(season(only('x', 2, 3)), made(['a'], undefined, 1))).toEqual([['a', 'x']]);
  });

  test('where nobody may do it at all, no rule is to blame', () => {
    expect(names(season(only('x', 0, 3)), made(['a'], undefined, -1))).toEqual([['a']]);
    expect(names(season(), made(['a'], [0, 0, 0, 0]))).toEqual([['a']]);
  });

  test('of one visit bind all of it', () => {
    const rules = [only('one', 0, 1, 'a'), only('two', 2, 3, 'b')];
    expect(names(season(...rules), made(['a', 'b']))).toEqual([['a,b', 'one', 'two']]);
    expect(names(season(...rules), made(['a']))).toEqual([]);
  });

  test('a circle of one before the other is shown whole, and once', () => {
    const rules = [
      before('1', 'a', 'b'),
      before('2', 'b', 'c'),
      before('aside', 'b', 'd'),
      before('3', 'c', 'a'),
    ];
    expect(names(season(...rules), made())).toEqual([['c,a', '1', '2', '3']]);
    expect(names(season(...rules.slice(0, 3)), made())).toEqual([]);
  });
});

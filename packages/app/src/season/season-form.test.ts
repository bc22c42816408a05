import type { Person, Season } from '@holvek/core';
import { seasonFrom, textsOf } from './season-form';
import { withWay } from './travel-card';

const person = (id: string): Person => ({
  id,
  name: id,
  short: id,
  role: 'technician',
  licences: [],
});
const uneven = [0, 180, 240, 180, 240, 0, 0];
const known: Season = {
  id: 's',
  name: 'Winter',
  site_id: 'x',
  from: '2026-11-23',
  weeks: 8,
  crew: [{ person_id: 'ines', week: uneven, away: [{ from: '2026-12-01', to: '2026-12-02' }] }],
  closed: [],
  rules: [],
  around: 20,
  travel: { usual: 15, table: [{ from: 'A', to: 'B', minutes: 5 }] },
  plan: [{ valve_id: 'v', day: '2026-11-24', person_id: 'ines' }],
};
const rest = { known, siteId: 'x', rules: known.rules, ways: known.travel.table };
const texts = textsOf(known, [person('ines'), person('tomas')]);

describe('the form of a season', () => {
  test('what nobody changed stays: an uneven week, ways, the plan', () => {
    expect(texts.crew.map(({ week }) => week)).toEqual(['Tue 3, Wed 4, Thu 3, Fri 4', '0']);
    expect(seasonFrom(texts, rest)).toEqual(known);
  });

  test('a week is what is written of it; ways are those of the table beside it', () => {
    const [ines, tomas] = texts.crew;
    const next = seasonFrom(
      { ...texts, crew: [{ ...ines!, week: '3, Sat 1' }, tomas!] },
      { ...rest, ways: [] },
    );
    expect(next.crew[0]!.week).toEqual([180, 180, 180, 180, 180, 60, 0]);
    expect(next.travel).toEqual({ usual: 15, table: [] });
    expect(next.crew).toHaveLength(1);
  });

  test('it begins on the Monday of its first day, and days are read as spans', () => {
    const next = seasonFrom(
      { ...texts, from: '2026-11-29', closed: '2026-12-24 to 2026-12-26 holidays; 2027-01-06' },
      rest,
    );
    expect(next.from).toBe('2026-11-23');
    expect(next.closed.map(({ why }) => why)).toEqual(['holidays', 'closed']);
  });

  test('without one, everybody is asked for with six hours from the next Monday on', () => {
    const fresh = textsOf(undefined, [person('ines')]);
    expect(fresh.crew[0]).toMatchObject({ week: '6', away: '' });
    expect(
      seasonFrom({ ...fresh, name: 'New' }, { ...rest, known: undefined }).crew[0]!.week,
    ).toEqual([360, 360, 360, 360, 360, 0, 0]);
  });
});

describe('a way', () => {
  test('takes the place of what was said of it before, there or back; others stay', () => {
    const table = [
      { from: 'A', to: 'B', minutes: 5 },
      { from: '', to: 'A', minutes: 9 },
    ];
    const back = { from: 'B', to: 'A', minutes: 7 };
    expect(withWay(table, back)).toEqual([table[1], back]);
    const again = { from: '', to: 'A', minutes: 4 };
    expect(withWay(table, again)).toEqual([table[0], again]);
    const other = { from: 'A', to: 'C', minutes: 1 };
    expect(withWay(table, other)).toEqual([...table, other]);
  });
});

import type { Person, Season } from '@holvek/core';
import { seasonFrom, textsOf } from './season-form';

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
const rest = { known, siteId: 'x', rules: known.rules };
const texts = textsOf(known, [person('ines'), person('tomas')]);

describe('the form of a season', () => {
  test('what nobody changed stays: an uneven week, ways, the plan', () => {
    expect(texts.crew.map(({ hours }) => hours)).toEqual(['4', '0']);
    expect(seasonFrom(texts, rest)).toEqual(known);
  });

  test('hours that are changed are those of every working day', () => {
    const [ines, tomas] = texts.crew;
    const next = seasonFrom({ ...texts, crew: [{ ...ines!, hours: '3' }, tomas!] }, rest);
    expect(next.crew[0]!.week).toEqual([180, 180, 180, 180, 180, 0, 0]);
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
    expect(fresh.crew[0]).toMatchObject({ hours: '6', away: '' });
    expect(
      seasonFrom({ ...fresh, name: 'New' }, { ...rest, known: undefined }).crew[0]!.week,
    ).toEqual([360, 360, 360, 360, 360, 0, 0]);
  });
});

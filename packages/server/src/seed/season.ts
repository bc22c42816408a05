import { dayAfter, weekdayOf, type CrewMember, type Season } from '@holvek/core';

const HOURS = 60;
const weekdays = (hours: number): number[] =>
  [1, 1, 1, 1, 1, 0, 0].map((share) => share * hours * HOURS);

const crew = (short: string, hours: number, away: CrewMember['away'] = []): CrewMember => ({
  person_id: `larkhollow-${short}`,
  week: weekdays(hours),
  away,
});

/** The winter at Larkhollow from this Monday on: who is there, what binds it, and no plan yet. */
export function demoSeason(now: number): Season {
  const today = new Date(now).toISOString().slice(0, 10);
  const from = dayAfter(today, -weekdayOf(today));
  const on = (days: number): string => dayAfter(from, days);
  return {
    id: 'winter',
    name: 'Winter',
    site_id: 'larkhollow',
    from,
    weeks: 10,
    crew: [crew('tomas', 2), crew('ines', 1.5, [{ from: on(14), to: on(18) }]), crew('edda', 1)],
    closed: [{ from: on(28), to: on(34), why: 'House closed over the holidays' }],
    rules: [
      {
        kind: 'only_between',
        id: 'lift',
        why: 'Lift stands still on these days',
        valve_ids: ['hpu-01'],
        from: on(21),
        to: on(27),
      },
      {
        kind: 'not_between',
        id: 'guns',
        why: 'Guns run on the upper bowl',
        valve_ids: ['prv-12'],
        from: on(2),
        to: on(6),
      },
      {
        kind: 'together',
        id: 'hill',
        why: 'One shut-down of the hill main serves both',
        valve_ids: ['prv-08', 'prv-14'],
      },
    ],
    around: 25,
    travel: {
      usual: 20,
      table: [
        { from: 'Lodge', to: 'Lower pump hall', minutes: 8 },
        { from: 'Terrace', to: 'Race hill', minutes: 12 },
        { from: 'Upper bowl', to: 'Race hill', minutes: 10 },
      ],
    },
    plan: [],
  };
}

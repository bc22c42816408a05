import { areaOf, isAbout, type FeedAbout, type Season, type Valve } from '@holvek/core';
import { createEvents, type EventAttributes } from 'ics';

type CalendarOptions = {
  /** Whose visits; everybody's where it is not said. */
  readonly about?: FeedAbout;
  readonly site?: string | undefined;
  /** What the calendar is called; as its season where there is one. */
  readonly name?: string;
};

/** Numbers of a day as calendars want them. */
const dayParts = (iso: string): [number, number, number] => {
  const [year = 0, month = 1, day = 1] = iso.split('-').map(Number);
  return [year, month, day];
};

/**
 * Plans as whole-day entries, one by person and day: it names its valves in their order. An entry keeps its
 * name for ever, so that a calendar that reads it again moves it and does not double it.
 */
export function calendarOf(
  seasons: readonly Season[],
  valves: ReadonlyMap<string, Valve>,
  {
    about = { kind: 'everybody' },
    site,
    name = seasons.at(-1)?.name ?? 'Visits',
  }: CalendarOptions = {},
): string {
  const events = seasons.flatMap((season) =>
    visitsByDay(season, valves, about).map(({ person_id, day, own }): EventAttributes => {
      const areas = [...new Set(own.map(({ place }) => areaOf(place)))];
      return {
        uid: `${season.id}-${person_id}-${day}@holvek`,
        start: dayParts(day),
        duration: { days: 1 },
        title: own.map(({ tag }) => tag).join(', ') || season.name,
        description: own
          .map(({ tag, name: called, place }, i) => `${i + 1}. ${tag} ${called}, ${place}`)
          .join('\n'),
        location: [areas.join(', '), site].filter(Boolean).join(' · '),
        productId: 'holvek',
        calName: name,
      };
    }),
  );
  const { error, value } = createEvents(events, { productId: 'holvek', calName: name });
  if (error) throw error;
  return value ?? '';
}

type DayOfOne = {
  readonly person_id: string;
  readonly day: string;
  readonly own: readonly Valve[];
};

/** What each person does on each day, of what the calendar is about. */
function visitsByDay(
  season: Season,
  valves: ReadonlyMap<string, Valve>,
  about: FeedAbout,
): readonly DayOfOne[] {
  const days = new Map<string, DayOfOne>();
  for (const planned of season.plan) {
    const valve = valves.get(planned.valve_id);
    if (!isAbout(about, planned, { place: valve?.place ?? '' })) continue;
    const { day, person_id } = planned;
    const key = `${day} ${person_id}`;
    const before = days.get(key)?.own ?? [];
    days.set(key, { day, person_id, own: valve ? [...before, valve] : before });
  }
  return [...days.values()];
}

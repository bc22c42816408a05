import { z } from '@hono/zod-openapi';
import {
  areaOf,
  seasonSchema,
  siteSchema,
  valveSchema,
  type Season,
  type Valve,
} from '@holvek/core';
import { createEvents, type EventAttributes } from 'ics';
import type { Store } from '../db/open';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { signedIn } from '../people/gate';
import { changeOf, documentsOf, sameId } from './documents';

/** Seasons and their plans; and a plan as a calendar. */
export function seasonRoutes(store: Store) {
  const seasons = documentsOf(store, 'seasons', seasonSchema);
  const valves = documentsOf(store, 'valves', valveSchema);
  const sites = documentsOf(store, 'sites', siteSchema);
  return newRouter()
    .openapi(getRoute('/seasons', 'Every season', z.array(seasonSchema)), async (c) =>
      c.json(await seasons.all(), 200),
    )
    .openapi(
      sendRoute('put', '/seasons/{id}', 'Add or change a season, and its plan', {
        body: seasonSchema,
        response: seasonSchema,
      }),
      async (c) => {
        const season = c.req.valid('json');
        sameId(c.req.param('id'), season);
        return c.json(await seasons.put(season, changeOf(c)), 200);
      },
    )
    .get('/seasons/:id/calendar.ics', async (c) => {
      signedIn(c);
      const season = await seasons.get(c.req.param('id'));
      const person = c.req.query('person');
      const places = (await sites.all()).map(({ id, name }) => [id, name] as const);
      const text = calendarOf(
        season,
        new Map((await valves.all()).map((valve) => [valve.id, valve])),
        { ...(person === undefined ? {} : { person }), site: new Map(places).get(season.site_id) },
      );
      c.header('content-type', 'text/calendar; charset=utf-8');
      c.header('content-disposition', `attachment; filename="${season.id}.ics"`);
      return c.body(text);
    });
}

type CalendarOptions = { readonly person?: string; readonly site?: string | undefined };

/** Numbers of a day as calendars want them. */
const dayParts = (iso: string): [number, number, number] => {
  const [year = 0, month = 1, day = 1] = iso.split('-').map(Number);
  return [year, month, day];
};

/**
 * A plan as whole-day entries, one by person and day: it names its valves in their order. An entry keeps its
 * name for ever, so that a calendar that reads it again moves it and does not double it.
 */
export function calendarOf(
  season: Season,
  valves: ReadonlyMap<string, Valve>,
  { person, site }: CalendarOptions = {},
): string {
  const days = new Map<string, Season['plan']>();
  for (const planned of season.plan) {
    if (person !== undefined && planned.person_id !== person) continue;
    const key = `${planned.day} ${planned.person_id}`;
    days.set(key, [...(days.get(key) ?? []), planned]);
  }
  const events = [...days.values()].map((entries): EventAttributes => {
    const [{ day, person_id }] = entries as [Season['plan'][number]];
    const own = entries.flatMap(({ valve_id }) => valves.get(valve_id) ?? []);
    const areas = [...new Set(own.map(({ place }) => areaOf(place)))];
    return {
      uid: `${season.id}-${person_id}-${day}@holvek`,
      start: dayParts(day),
      duration: { days: 1 },
      title: own.map(({ tag }) => tag).join(', ') || season.name,
      description: own
        .map(({ tag, name, place }, i) => `${i + 1}. ${tag} ${name}, ${place}`)
        .join('\n'),
      location: [areas.join(', '), site].filter(Boolean).join(' · '),
      productId: 'holvek',
      calName: season.name,
    };
  });
  const { error, value } = createEvents(events, { productId: 'holvek', calName: season.name });
  if (error) throw error;
  return value ?? '';
}

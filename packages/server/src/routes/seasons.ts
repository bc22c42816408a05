import { z } from '@hono/zod-openapi';
import { placedIn, seasonSchema, siteSchema, valveSchema } from '@holvek/core';
import type { Store } from '../db/open';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { signedIn } from '../people/gate';
import { calendarOf } from '../season/calendar';
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
      const places = await sites.all();
      const text = calendarOf(
        [season],
        new Map((await valves.all()).map((valve) => [valve.id, placedIn(places, valve)])),
        {
          ...(person === undefined ? {} : { about: { kind: 'person', person_id: person } }),
          site: places.find(({ id }) => id === season.site_id)?.name,
        },
      );
      c.header('content-type', 'text/calendar; charset=utf-8');
      c.header('content-disposition', `attachment; filename="${season.id}.ics"`);
      return c.body(text);
    });
}

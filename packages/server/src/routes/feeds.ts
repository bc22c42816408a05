import { createRoute, z } from '@hono/zod-openapi';
import {
  feedAboutSchema,
  feedSchema,
  may,
  newFeedSchema,
  placedIn,
  seasonSchema,
  siteSchema,
  valveSchema,
  type Feed,
  type FeedAbout,
} from '@holvek/core';
import type { Context } from 'hono';
import type { Store } from '../db/open';
import { notFound, refusals } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { mustBeAllowed, signedIn } from '../people/gate';
import { idOfToken, newToken, peopleOf } from '../people/sessions';
import { calendarOf } from '../season/calendar';
import { documentsOf } from './documents';

const endOne = createRoute({
  method: 'delete',
  path: '/feeds/{id}',
  summary: 'End the address of a calendar',
  request: { params: z.object({ id: z.string().max(64) }) },
  responses: {
    200: {
      description: 'The calendars that are left',
      content: { 'application/json': { schema: z.array(feedSchema) } },
    },
    ...refusals,
  },
});

/** Plans as calendars that other programs read by an address of their own, until it is ended. */
export function feedRoutes(store: Store) {
  const { feeds } = store.tables;
  const seasons = documentsOf(store, 'seasons', seasonSchema);
  const valves = documentsOf(store, 'valves', valveSchema);
  const sites = documentsOf(store, 'sites', siteSchema);
  const living = async (): Promise<Feed[]> => {
    const rows = await feeds.findAll({ where: { ended_ms: null }, raw: true });
    return rows
      .map(({ body }) => feedSchema.parse(JSON.parse(body)))
      .sort((a, b) => a.since_ms - b.since_ms);
  };
  /** His own; all of them for one who plans. */
  const seenBy = async (c: Context): Promise<Feed[]> => {
    const { person } = signedIn(c);
    return (await living()).filter(
      (feed) => isHis(feed, person.id) || may(person.role, 'plan_season'),
    );
  };
  return newRouter()
    .openapi(getRoute('/feeds', 'Calendars with an address', z.array(feedSchema)), async (c) =>
      c.json(await seenBy(c), 200),
    )
    .openapi(
      sendRoute('post', '/feeds', 'Make an address for a calendar', {
        body: z.object({ about: feedAboutSchema }),
        response: newFeedSchema,
      }),
      async (c) => {
        const { about } = c.req.valid('json');
        const { person } = signedIn(c);
        if (!isOwnDays(about, person.id)) mustBeAllowed(c, 'plan_season');
        const token = newToken();
        const feed: Feed = {
          id: idOfToken(token),
          about,
          made_by: person.id,
          since_ms: Date.now(),
        };
        await store.write(({ feeds: kept }) =>
          kept.create({ id: feed.id, body: JSON.stringify(feed), ended_ms: null }),
        );
        return c.json({ ...feed, path: `/api/calendars/${token}.ics` }, 200);
      },
    )
    .openapi(endOne, async (c) => {
      const { id } = c.req.valid('param');
      const feed = (await seenBy(c)).find((each) => each.id === id);
      if (!feed) throw notFound('feed', id);
      await store.write(({ feeds: kept }) =>
        kept.update({ ended_ms: Date.now() }, { where: { id: feed.id } }),
      );
      return c.json(await seenBy(c), 200);
    })
    .get('/calendars/:name', async (c) => {
      const feed = await feedOf(c.req.param('name'));
      // Wrong, made up and ended are told alike.
      if (!feed) throw notFound('feed', '');
      const places = await sites.all();
      const text = calendarOf(
        await seasons.all(),
        new Map((await valves.all()).map((valve) => [valve.id, placedIn(places, valve)])),
        { about: feed.about, name: 'Valve visits' },
      );
      c.header('content-type', 'text/calendar; charset=utf-8');
      return c.body(text);
    });

  async function feedOf(name: string): Promise<Feed | undefined> {
    const token = /^([\w-]{43})\.ics$/u.exec(name)?.[1];
    if (token === undefined) return undefined;
    const row = await feeds.findByPk(idOfToken(token), { raw: true });
    if (!row || row.ended_ms !== null) return undefined;
    const feed = feedSchema.parse(JSON.parse(row.body));
    const maker = (await peopleOf(store.tables)).find(({ id }) => id === feed.made_by);
    return maker && maker.left_on === undefined ? feed : undefined;
  }
}

const isOwnDays = (about: FeedAbout, person: string): boolean =>
  about.kind === 'person' && about.person_id === person;
const isHis = ({ made_by: maker, about }: Feed, person: string): boolean =>
  maker === person || isOwnDays(about, person);

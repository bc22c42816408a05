import { createRoute, z } from '@hono/zod-openapi';
import {
  ingestedSchema,
  runEventSchema,
  runFile,
  runRowSchema,
  storedRunSchema,
  type RunEvent,
} from '@holvek/core';
import type { Store } from '../db/open';
import { Problem, notFound, problemBody, refusals } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute } from '../http/route';
import { ingest } from '../ingest/ingest';
import { signedIn } from '../people/gate';
import { rawEventsOf } from '../ingest/rows';

const MOST_IN_A_BATCH = 500;

const json = <T extends z.ZodType>(description: string, schema: T) => ({
  description,
  content: { 'application/json': { schema } },
});

const postEvents = createRoute({
  method: 'post',
  path: '/runs/{id}/events',
  summary: 'Append events to a run; the same batch twice changes nothing',
  request: {
    body: {
      required: true,
      content: {
        'application/json': {
          schema: z.object({ events: z.array(runEventSchema).min(1) }),
        },
      },
    },
  },
  responses: {
    ...refusals,
    200: json('Every event is stored', ingestedSchema),
    409: json(
      'Some events were refused; the others are stored',
      z.object({ error: z.object({ code: z.string(), detail: ingestedSchema }) }),
    ),
  },
});

/** Runs and their log of events. */
export function runRoutes(store: Store) {
  const router = newRouter();
  // Counted before they are read: too many are not looked at one by one.
  router.use('/runs/:id/events', async (c, next) => {
    const sent = await c.req.json<{ readonly events?: unknown }>().catch(() => undefined);
    if (Array.isArray(sent?.events) && sent.events.length > MOST_IN_A_BATCH)
      throw new Problem(413, 'request.too_many_events', { most: MOST_IN_A_BATCH });
    return next();
  });
  return router
    .openapi(
      getRoute('/runs', 'Every run that is not signed', z.array(runRowSchema)),
      async (c) => {
        const rows = await store.tables.runs.findAll({
          where: { status: ['open', 'signing'] },
          order: [['last_at_ms', 'DESC']],
          raw: true,
        });
        return c.json(z.array(runRowSchema).parse(rows), 200);
      },
    )
    .openapi(getRoute('/runs/{id}', 'A run as its events', storedRunSchema), async (c) => {
      const id = c.req.param('id');
      const row = await store.tables.runs.findByPk(id, { raw: true });
      if (!row) throw notFound('run', id);
      // As they were sent: their hashes are over every word of it.
      const events = (await rawEventsOf(store.tables, id)) as RunEvent[];
      return c.json({ ...runFile(events), run: runRowSchema.parse(row) }, 200);
    })
    .openapi(
      getRoute(
        '/runs/{id}/size',
        'How many entries of a run are here: whether there is something to fetch',
        z.object({ entries: z.number() }),
      ),
      async (c) => {
        const where = { run_id: c.req.param('id') };
        return c.json({ entries: await store.tables.events.count({ where }) }, 200);
      },
    )
    .openapi(postEvents, async (c) => {
      const { events } = c.req.valid('json');
      const sent = (await c.req.json<{ events: object[] }>()).events;
      const result = await ingest(store, c.req.param('id'), events, {
        raws: sent,
        sender: signedIn(c),
      });
      const body = { ...result, stored: [...result.stored], refused: [...result.refused] };
      const [first] = result.refused;
      if (!first) return c.json(body, 200);
      const status = first.code === 'run.covers_refused' ? 422 : 409;
      return c.json(problemBody({ code: first.code, detail: body }) as never, status as 409);
    });
}

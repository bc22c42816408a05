import { createRoute, z } from '@hono/zod-openapi';
import {
  ingestedSchema,
  runEventSchema,
  runFile,
  runRowSchema,
  storedRunSchema,
} from '@holvek/core';
import type { Store } from '../db/open';
import { notFound, problemBody, refusals } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute } from '../http/route';
import { eventsOf, ingest } from '../ingest';

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
          schema: z.object({ events: z.array(runEventSchema).min(1).max(MOST_IN_A_BATCH) }),
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
  return newRouter()
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
      return c.json(
        { ...runFile(await eventsOf(store.tables, id)), run: runRowSchema.parse(row) },
        200,
      );
    })
    .openapi(postEvents, async (c) => {
      const result = await ingest(store, c.req.param('id'), c.req.valid('json').events);
      const body = { ...result, stored: [...result.stored], refused: [...result.refused] };
      return result.refused.length === 0
        ? c.json(body, 200)
        : c.json(problemBody({ code: result.refused[0]!.code, detail: body }) as never, 409);
    });
}

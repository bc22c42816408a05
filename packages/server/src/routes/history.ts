import { z } from '@hono/zod-openapi';
import { fleetKindSchema, valveSchema, valveSummarySchema } from '@holvek/core';
import type { Store } from '../db/open';
import { newRouter } from '../http/router';
import { getRoute } from '../http/route';
import { fleetOf } from '../sheet/fleet';
import { allSummaries } from '../sheet/summary';

/** A version of a document: when it was written, by whom, and what it said. */
const versionSchema = z.object({
  at_ms: z.number(),
  who: z.string().nullable(),
  body: valveSchema,
});

/** What the register held before, and what has come of its valves. */
export const historyRoutes = (store: Store) =>
  newRouter()
    .openapi(
      getRoute(
        '/summaries',
        'One row for every valve that was visited',
        z.array(valveSummarySchema),
      ),
      async (c) => c.json(await allSummaries(store), 200),
    )
    .openapi(
      getRoute(
        '/fleet',
        'What all valves have taught of their kinds: rates to begin with on one that was never met',
        z.array(fleetKindSchema),
      ),
      async (c) => c.json([...(await fleetOf(store))], 200),
    )
    .openapi(
      getRoute(
        '/valves/{id}/history',
        'Every version of a valve in the register, latest first',
        z.array(versionSchema),
      ),
      async (c) => {
        const rows = await store.tables.history.findAll({
          where: { kind: 'valves', id: c.req.param('id') },
          order: [['seq', 'DESC']],
          raw: true,
        });
        const versions = rows.map(({ at_ms, who, body }) => ({
          at_ms,
          who,
          body: JSON.parse(body),
        }));
        return c.json(z.array(versionSchema).parse(versions), 200);
      },
    );

import { z } from '@hono/zod-openapi';
import { valveSchema } from '@holvek/core';
import type { Store } from '../db/open';
import { newRouter } from '../http/router';
import { getRoute } from '../http/route';

/** A version of a document: when it was written, by whom, and what it said. */
const versionSchema = z.object({
  at_ms: z.number(),
  who: z.string().nullable(),
  body: valveSchema,
});

/** What the register held before. */
export const historyRoutes = (store: Store) =>
  newRouter().openapi(
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
      const versions = rows.map(({ at_ms, who, body }) => ({ at_ms, who, body: JSON.parse(body) }));
      return c.json(z.array(versionSchema).parse(versions), 200);
    },
  );

import { z } from '@hono/zod-openapi';
import { digestOf, houseRulesSchema, publishedSchemas } from '@holvek/core';
import { keepDocument } from '../db/keep';
import type { Store } from '../db/open';
import { Problem, notFound } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { HOUSE_RULES, houseRulesOf } from '../people/house-rules';
import { changeOf } from './documents';

/** House rules, the health of the server, and the schemas of the files that it writes. */
export function settingRoutes(store: Store) {
  return newRouter()
    .openapi(
      getRoute(
        '/health',
        'Whether the database answers, and whether the last write found room on the disk',
        z.object({ ok: z.boolean(), storage: z.enum(['room', 'full']) }),
      ),
      async (c) => {
        await store.sequelize.query('SELECT 1');
        const hasRoom = store.hasRoom();
        const storage = hasRoom ? 'room' : 'full';
        return c.json({ ok: hasRoom, storage } as const, 200);
      },
    )
    .openapi(getRoute('/house-rules', 'The owner’s figures', houseRulesSchema), async (c) =>
      c.json(await houseRulesOf(store.tables), 200),
    )
    .openapi(
      sendRoute('put', '/house-rules', 'Change the owner’s figures', {
        body: houseRulesSchema,
        response: houseRulesSchema,
      }),
      async (c) => {
        const rules = c.req.valid('json');
        const { over, who } = changeOf(c);
        await store.write(async (tables) => {
          const current = await houseRulesOf(tables);
          if (over !== undefined && digestOf(current) !== over)
            throw new Problem(412, 'document.changed', current);
          await keepDocument(
            tables,
            'settings',
            { id: HOUSE_RULES, body: JSON.stringify(rules) },
            who,
          );
        });
        return c.json(rules, 200);
      },
    )
    .get('/schemas/:name', (c) => {
      const name = c.req.param('name');
      // Of its own only: `__proto__` is no schema.
      const make = new Map<string, () => unknown>(Object.entries(publishedSchemas)).get(name);
      if (!make) throw notFound('schema', name);
      return c.json(make() as object);
    });
}

import { z } from '@hono/zod-openapi';
import { repairSchema } from '@holvek/core';
import type { Store } from '../db/open';
import { Problem } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { changeOf, documentsOf } from './documents';

/** Repairs of valves: what was found, what was changed. Each stays with the valve that it was made on. */
export function repairRoutes(store: Store) {
  const repairs = documentsOf(store, 'repairs', repairSchema);
  return newRouter()
    .openapi(getRoute('/repairs', 'Every repair', z.array(repairSchema)), async (c) =>
      c.json(await repairs.all(), 200),
    )
    .openapi(
      sendRoute('put', '/repairs/{id}', 'Note a repair, or correct what was noted', {
        body: repairSchema,
        response: repairSchema,
      }),
      async (c) => {
        const repair = c.req.valid('json');
        const { id, valve_id: valveId } = repair;
        if (id !== c.req.param('id')) throw new Problem(400, 'request.ids_differ');
        if (!(await store.tables.valves.findByPk(valveId, { raw: true })))
          throw new Problem(422, 'valve.not_found', { id: valveId });
        const before = await store.tables.repairs.findByPk(id, { raw: true });
        if (before && repairSchema.parse(JSON.parse(before.body)).valve_id !== valveId)
          throw new Problem(422, 'repair.other_valve');
        return c.json(await repairs.put(repair, changeOf(c)), 200);
      },
    );
}

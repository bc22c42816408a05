import { z } from '@hono/zod-openapi';
import {
  checkPlate,
  importedSchema,
  readRegisterCsv,
  sheetSchema,
  valveSchema,
  writeRegisterCsv,
  type Valve,
} from '@holvek/core';
import type { Store } from '../db/open';
import { Problem } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { latestPractice, sheetsOf } from '../sheet/shelf';
import { changeOf, documentsOf, type Change } from './documents';

/** The register: valves one by one, as CSV both ways, and the check of a valve's chain of sheets. */
export function valveRoutes(store: Store) {
  const valves = documentsOf(store, 'valves', valveSchema);
  const accept = (valve: Valve, change: Change) => {
    const stopping = checkPlate(valve.plate, valve).filter(({ stops }) => stops);
    if (stopping[0]) throw new Problem(422, stopping[0].code, stopping);
    return valves.put(valve, change);
  };
  const router = newRouter();
  router.get('/valves.csv', async (c) =>
    c.body(writeRegisterCsv(await valves.all()), 200, {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="valves.csv"',
    }),
  );
  return router
    .openapi(getRoute('/valves', 'The register', z.array(valveSchema)), async (c) =>
      c.json(await valves.all(), 200),
    )
    .openapi(
      sendRoute('post', '/valves/import', 'Valves from CSV; good rows are kept', {
        body: z.object({ csv: z.string().max(2_000_000) }),
        response: importedSchema,
      }),
      async (c) => {
        const read = readRegisterCsv(c.req.valid('json').csv, () => crypto.randomUUID());
        if (!read.ok) throw new Problem(422, read.error.code, read.error);
        const known = new Map((await valves.all()).map((valve) => [valve.tag, valve.id]));
        const issues = [...read.value.issues];
        const good = read.value.valves.filter((valve) => {
          const bad = checkPlate(valve.plate, valve).find(({ stops }) => stops);
          if (bad) issues.push({ line: 0, column: valve.tag, code: bad.code });
          return !bad;
        });
        await valves.putAll(
          good.map((valve) => ({ ...valve, id: known.get(valve.tag) ?? valve.id })),
          changeOf(c),
        );
        return c.json({ kept: good.map(({ tag }) => tag), issues }, 200);
      },
    )
    .openapi(getRoute('/valves/{id}', 'One valve', valveSchema), async (c) =>
      c.json(await valves.get(c.req.param('id')), 200),
    )
    .openapi(
      sendRoute('put', '/valves/{id}', 'Add or change a valve', {
        body: valveSchema,
        response: valveSchema,
      }),
      async (c) => {
        const valve = c.req.valid('json');
        if (valve.id !== c.req.param('id')) throw new Problem(400, 'request.ids_differ');
        return c.json(await accept(valve, changeOf(c)), 200);
      },
    )
    .openapi(
      getRoute('/valves/{id}/sheets', 'Records of a valve, first to last', z.array(sheetSchema)),
      async (c) => {
        await valves.get(c.req.param('id'));
        return c.json(await sheetsOf(store, c.req.param('id')), 200);
      },
    )
    .openapi(
      getRoute('/valves/{id}/practice', 'Practice on a valve, latest first', z.array(sheetSchema)),
      async (c) => {
        await valves.get(c.req.param('id'));
        return c.json(await latestPractice(store, 100, c.req.param('id')), 200);
      },
    );
}

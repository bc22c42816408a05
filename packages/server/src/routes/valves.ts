import { z } from '@hono/zod-openapi';
import {
  atPlace,
  checkPlate,
  digestOf,
  dutyOf,
  importedSchema,
  readValvesCsv,
  sheetSchema,
  siteSchema,
  valveSchema,
  writeValvesCsv,
  type HouseAction,
  type Imported,
  type Valve,
  type Writing,
} from '@holvek/core';
import type { Store } from '../db/open';
import { Problem } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { mustBeAllowed } from '../people/gate';
import { houseRulesOf } from '../people/house-rules';
import { latestPractice, sheetsOf } from '../sheet/shelf';
import { changeOf, documentsOf, type Change } from './documents';

/** The register: valves one by one, as CSV both ways, and the check of a valve's chain of sheets. */
export function valveRoutes(store: Store) {
  const valves = documentsOf(store, 'valves', valveSchema);
  const accept = async (valve: Valve, change: Change) => {
    const rules = await houseRulesOf(store.tables);
    const stopping = checkPlate(valve.plate, valve, rules).filter(({ stops }) => stops);
    if (stopping[0]) throw new Problem(422, stopping[0].code, stopping);
    return valves.put(valve, change);
  };
  const router = newRouter();
  router.get('/valves.csv', async (c) =>
    c.body(writeValvesCsv(await valves.all(), await writingOf(store)), 200, {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="valves.csv"',
    }),
  );
  return router
    .openapi(getRoute('/valves', 'The register', z.array(valveSchema)), async (c) =>
      c.json(await valves.all(), 200),
    )
    .openapi(
      sendRoute(
        'post',
        '/valves/import',
        'Valves from CSV; good rows are kept, or only looked at',
        {
          body: z.object({ csv: z.string().max(2_000_000), preview: z.boolean().optional() }),
          response: importedSchema,
        },
      ),
      async (c) => {
        const { csv, preview } = c.req.valid('json');
        const { merged, imported } = readIn(csv, await valves.all(), await writingOf(store));
        if (!preview) await valves.putAll(merged, changeOf(c));
        return c.json(imported, 200);
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
        const row = await store.tables.valves.findByPk(valve.id, { raw: true });
        const before = row ? valveSchema.parse(JSON.parse(row.body)) : undefined;
        for (const action of before ? actionsIn(before, valve) : []) mustBeAllowed(c, action);
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

/** What a change of a valve asks of the one who makes it. */
function actionsIn(before: Valve, after: Valve): readonly HouseAction[] {
  const differs = (part: (valve: Valve) => unknown) =>
    digestOf({ part: part(before) }) !== digestOf({ part: part(after) });
  return [
    ...(differs(({ plate }) => plate) ? ['change_plate' as const] : []),
    // What it is there for decides how strictly it is looked at: an approval that is struck out changes that too.
    ...(differs(({ target, other_targets }) => ({ target, other_targets })) ||
    differs((valve) => ({ duty: dutyOf(valve), months: valve.visit_months ?? null }))
      ? ['change_target' as const]
      : []),
    ...(differs(({ retired }) => retired ?? null) ? ['retire' as const] : []),
  ];
}

/** Units of a file where its headers name none, and the air where each valve stands. */
async function writingOf(store: Store): Promise<Writing> {
  const places = await documentsOf(store, 'sites', siteSchema).all();
  const { barometer } = atPlace(places, undefined);
  return { unit: 'kPa', barometer, places, rules: await houseRulesOf(store.tables) };
}

/** Valves of a file over what the register has, and what that would change. */
function readIn(
  csv: string,
  register: readonly Valve[],
  writing: Writing,
): { readonly merged: readonly Valve[]; readonly imported: Imported } {
  const newId = () => crypto.randomUUID();
  const read = readValvesCsv(csv, { register, writing, newId });
  if (!read.ok) throw new Problem(422, read.error.code, read.error);
  const { valves, issues } = read.value;
  const tagsOf = (some: typeof valves) => some.map(({ valve }) => valve.tag);
  const isChanged = ({ valve, before }: (typeof valves)[number]) =>
    before !== undefined && digestOf(before) !== digestOf(valve);
  const imported = {
    kept: tagsOf(valves),
    fresh: tagsOf(valves.filter(({ before }) => before === undefined)),
    changed: tagsOf(valves.filter(isChanged)),
    issues: [...issues],
  };
  return { merged: valves.map(({ valve }) => valve), imported };
}

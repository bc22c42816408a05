import { z } from '@hono/zod-openapi';
import {
  checkPlace,
  checkSystem,
  digestOf,
  gaugeSchema,
  plainTag,
  roundSchema,
  siteSchema,
  systemSchema,
  valveSchema,
} from '@holvek/core';
import type { Context } from 'hono';
import { UniqueConstraintError } from 'sequelize';
import { keepDocument, modelOf } from '../db/keep';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';
import { Problem, notFound } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { signedIn } from '../people/gate';
import { followAreas } from './follow-areas';

type Kept = { readonly id: string; readonly tag?: string };
type Owners = Map<string, Kept>;
type TableName =
  | 'sites'
  | 'gauges'
  | 'rounds'
  | 'systems'
  | 'valves'
  | 'repairs'
  | 'photos'
  | 'notices'
  | 'seasons';

const bodyOf = async (
  tables: Tables,
  table: TableName,
  id: string,
): Promise<string | undefined> => {
  const row = await modelOf(tables, table).findByPk(id, { raw: true });
  return row?.body;
};

/** What stands on labels, in lists and in names of files is one line of text. */
const oneLine = ['id', 'tag', 'name', 'place'] as const;

function mustBeOneLine(value: Readonly<Partial<Record<(typeof oneLine)[number], unknown>>>): void {
  const path = oneLine.find((key) => /\p{Cc}/u.test(String(value[key] ?? '')));
  if (path !== undefined) throw new Problem(422, 'document.not_one_line', { path });
}

/** What else has to change with a document, in the same transaction. */
type Follow<T> = (
  tables: Tables,
  change: { readonly before: T | undefined; readonly value: T; readonly who?: string },
) => Promise<void>;

/** Reads and writes whole documents of one table. */
export function documentsOf<T extends Kept>(
  store: Store,
  table: TableName,
  schema: z.ZodType<T>,
  follow?: Follow<T>,
) {
  const model = modelOf(store.tables, table);
  /** Which document has which tag, as people tell tags apart. */
  const ownersOf = async (): Promise<Owners> => {
    const rows = (await model.findAll({
      attributes: ['id', 'tag'],
      raw: true,
    })) as unknown as readonly Required<Kept>[];
    return new Map(rows.map((row) => [plainTag(row.tag), row]));
  };
  /** No two are called the same by those who read it; one that has been so all along stays as it is. */
  const mustBeItsOwn = ({ id, tag = '' }: Kept, before: Kept | undefined, owners: Owners): void => {
    const owner = owners.get(plainTag(tag));
    if (owner && owner.id !== id)
      throw new Problem(409, `${table.slice(0, -1)}.tag_taken`, { tag: owner.tag });
    if (before?.tag !== undefined) owners.delete(plainTag(before.tag));
    owners.set(plainTag(tag), { id, tag });
  };
  /** Writes a document; `over` is the digest of the version that it was made from, where that is said. */
  const put = async (
    tables: Tables,
    value: T,
    { over, who }: Change,
    owners?: Owners,
  ): Promise<T> => {
    mustBeOneLine(value);
    const before = await bodyOf(tables, table, value.id);
    const current = before === undefined ? undefined : schema.parse(JSON.parse(before));
    // Somebody has changed it meanwhile: neither version is lost without being seen.
    if (over !== undefined && current && digestOf(current) !== over)
      throw new Problem(412, 'document.changed', current);
    if (value.tag !== undefined && current?.tag !== value.tag)
      mustBeItsOwn(value, current, owners ?? (await ownersOf()));
    const row = {
      id: value.id,
      body: JSON.stringify(value),
      ...(value.tag ? { tag: value.tag } : {}),
    };
    try {
      await keepDocument(tables, table, row, who);
    } catch (error) {
      if (error instanceof UniqueConstraintError)
        throw new Problem(409, `${table.slice(0, -1)}.tag_taken`, { tag: value.tag });
      throw error;
    }
    await follow?.(tables, { before: current, value, ...(who === undefined ? {} : { who }) });
    return value;
  };
  return {
    all: async (): Promise<T[]> => {
      const rows = await model.findAll({ order: [['id', 'ASC']] });
      return rows.map(({ body }) => schema.parse(JSON.parse(body)));
    },
    get: async (id: string): Promise<T> => {
      const row = await model.findByPk(id);
      if (!row) throw notFound(table.slice(0, -1), id);
      return schema.parse(JSON.parse(row.body));
    },
    put: (value: T, change: Change = {}): Promise<T> =>
      store.write((tables) => put(tables, value, change)),
    /** Several, in one transaction: all of them or none. */
    putAll: (values: readonly T[], change: Change = {}): Promise<void> =>
      store.write(async (tables) => {
        const owners = values.some(({ tag }) => tag !== undefined) ? await ownersOf() : undefined;
        for (const value of values) await put(tables, value, change, owners);
      }),
  };
}

/** A header that was written for its letters’ sake; one that is written wrong is what it is. */
function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** From which version a change was made, and by whom. */
export type Change = { readonly over?: string; readonly who?: string };
export const changeOf = (c: Context): Change => {
  const over = c.req.header('if-match');
  const { name } = signedIn(c).person;
  const said = decoded(c.req.header('x-changed-by') ?? name).slice(0, 80);
  return {
    ...(over === undefined ? {} : { over: over.replaceAll('"', '') }),
    // One phone serves several hands: whose change it was is its word, who sent it is ours.
    who: said === name ? name : `${said}, sent by ${name}`,
  };
};

/** @throws Problem 400 where a document is put under another's address */
export const sameId = (id: string, value: Kept) => {
  if (id !== value.id) throw new Problem(400, 'request.ids_differ', { path: id, body: value.id });
};

/** Sites, gauges, rounds and systems: small documents that are read and replaced whole. */
export function documentRoutes(store: Store) {
  const sites = documentsOf(store, 'sites', siteSchema, followAreas);
  const valves = documentsOf(store, 'valves', valveSchema);
  const gauges = documentsOf(store, 'gauges', gaugeSchema);
  const rounds = documentsOf(store, 'rounds', roundSchema);
  const systems = documentsOf(store, 'systems', systemSchema);
  return newRouter()
    .openapi(getRoute('/sites', 'Every site', z.array(siteSchema)), async (c) =>
      c.json(await sites.all(), 200),
    )
    .openapi(
      sendRoute('put', '/sites/{id}', 'Add or change a site', {
        body: siteSchema,
        response: siteSchema,
      }),
      async (c) => {
        const site = c.req.valid('json');
        sameId(c.req.param('id'), site);
        // Only closing one asks who is there: of ten thousand valves not each place of a file wants to know.
        const there = site.closed ? await valves.all() : [];
        const issue = checkPlace(site, await sites.all(), there);
        if (issue) throw new Problem(422, issue.code, issue);
        return c.json(await sites.put(site, changeOf(c)), 200);
      },
    )
    .openapi(getRoute('/gauges', 'Every test gauge', z.array(gaugeSchema)), async (c) =>
      c.json(await gauges.all(), 200),
    )
    .openapi(
      sendRoute('put', '/gauges/{id}', 'Add or change a gauge', {
        body: gaugeSchema,
        response: gaugeSchema,
      }),
      async (c) => {
        const gauge = c.req.valid('json');
        sameId(c.req.param('id'), gauge);
        if (!(gauge.range_low_pa < gauge.range_high_pa))
          throw new Problem(422, 'gauge.range_upside_down');
        return c.json(await gauges.put(gauge, changeOf(c)), 200);
      },
    )
    .openapi(getRoute('/rounds', 'Every round', z.array(roundSchema)), async (c) =>
      c.json(await rounds.all(), 200),
    )
    .openapi(
      sendRoute('put', '/rounds/{id}', 'Add or change a round', {
        body: roundSchema,
        response: roundSchema,
      }),
      async (c) => {
        const round = c.req.valid('json');
        sameId(c.req.param('id'), round);
        return c.json(await rounds.put(round, changeOf(c)), 200);
      },
    )
    .openapi(getRoute('/systems', 'Every system of pressures', z.array(systemSchema)), async (c) =>
      c.json(await systems.all(), 200),
    )
    .openapi(
      sendRoute('put', '/systems/{id}', 'Add or change a system', {
        body: systemSchema,
        response: systemSchema,
      }),
      async (c) => {
        const system = c.req.valid('json');
        sameId(c.req.param('id'), system);
        // Clashing rules are kept: to show them is what a ladder is for. Data that means nothing is not.
        const issues = checkSystem(system).filter(({ code }) => code !== 'ladder.no_source');
        if (issues[0]) throw new Problem(422, issues[0].code, issues);
        return c.json(await systems.put(system, changeOf(c)), 200);
      },
    );
}

import { z } from '@hono/zod-openapi';
import {
  checkWith,
  countersignDigest,
  countersignOf,
  countersignRulesSchema,
  countersignSchema,
  countersignTrouble,
  defaultCountersignRules,
  keyNameOf,
  valveSchema,
  type Countersign,
  type CountersignRules,
  type Duty,
} from '@holvek/core';
import { keepDocument } from '../db/keep';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';
import { notFound, Problem } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { signedIn } from '../people/gate';
import { isRevised, sheetById } from '../sheet/shelf';

const RULES = 'countersign_rules';
const check = checkWith(globalThis.crypto.subtle);

/** Second signatures: what the owner wants one under, and what was said of each sheet. */
export const countersignRoutes = (store: Store) =>
  newRouter()
    .openapi(
      getRoute(
        '/countersign-rules',
        'What a second signature is wanted under',
        countersignRulesSchema,
      ),
      async (c) => c.json(await rulesOf(store.tables), 200),
    )
    .openapi(
      sendRoute('put', '/countersign-rules', 'Change what a second signature is wanted under', {
        body: countersignRulesSchema,
        response: countersignRulesSchema,
      }),
      async (c) => {
        const rules = c.req.valid('json');
        const { name } = signedIn(c).person;
        const document = { id: RULES, body: JSON.stringify(rules) };
        await store.write((tables) => keepDocument(tables, 'settings', document, name));
        return c.json(rules, 200);
      },
    )
    .openapi(
      getRoute(
        '/countersigns',
        'What was said of sheets, first to last',
        z.array(countersignSchema),
      ),
      async (c) => {
        const rows = await store.tables.countersigns.findAll({
          order: [['seq', 'ASC']],
          raw: true,
        });
        return c.json(rows.map(parsed), 200);
      },
    )
    .openapi(
      sendRoute('post', '/sheets/{id}/countersigns', 'Agree with a sheet, or send it back', {
        body: countersignSchema,
        response: countersignSchema,
      }),
      async (c) => {
        const said = c.req.valid('json');
        const { person, key } = signedIn(c);
        if (said.by !== person.name) throw new Problem(403, 'person.other_name');
        await mustBeSigned(said, key);
        const id = c.req.param('id');
        const sheet = await sheetById(store, id);
        if (!sheet || sheet.hash !== said.sheet) throw notFound('sheet', id);
        // Asked in the transaction that writes it: of two at once, the second finds the first.
        await store.write(async (tables) => {
          if (await isRevised(tables, sheet)) throw new Problem(409, 'sheet.already_revised');
          const rules = await rulesOf(tables);
          const duty = await dutyIn(tables, sheet.body.valve_id);
          const before = await tables.countersigns.findAll({
            where: { sheet: sheet.hash },
            order: [['seq', 'ASC']],
            raw: true,
          });
          const state = countersignOf(sheet, before.map(parsed), { duty, rules });
          const trouble = countersignTrouble(sheet, said, state, rules);
          if (trouble) throw new Problem(409, trouble);
          await tables.countersigns.create({ sheet: sheet.hash, body: JSON.stringify(said) });
        });
        return c.json(said, 200);
      },
    );

const parsed = ({ body }: { readonly body: string }): Countersign =>
  countersignSchema.parse(JSON.parse(body));

/** @throws Problem where the signature is not over what is said, or by a key that he did not sign in with */
async function mustBeSigned(said: Countersign, own: string | null): Promise<void> {
  const { key, signature } = said.signed;
  if (!(await check(key, countersignDigest(said), signature)))
    throw new Problem(422, 'countersign.signature_wrong');
  if (own !== null && keyNameOf(key) !== own) throw new Problem(422, 'countersign.other_key');
}

async function rulesOf(tables: Tables): Promise<CountersignRules> {
  const row = await tables.settings.findByPk(RULES, { raw: true });
  return row ? countersignRulesSchema.parse(JSON.parse(row.body)) : defaultCountersignRules;
}

/** What the register says that a valve is there for. */
async function dutyIn(tables: Tables, valveId: string): Promise<Duty | undefined> {
  const row = await tables.valves.findByPk(valveId, { raw: true });
  return row ? valveSchema.parse(JSON.parse(row.body)).duty : undefined;
}

import { z } from '@hono/zod-openapi';
import {
  checkWith,
  countersignDigest,
  countersignRulesSchema,
  countersignSchema,
  countersignTrouble,
  keyNameOf,
  type Countersign,
} from '@holvek/core';
import { keepDocument } from '../db/keep';
import type { Store } from '../db/open';
import { notFound, Problem } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { signedIn } from '../people/gate';
import {
  COUNTERSIGN_RULES,
  countersignRulesOf,
  countersignStateOf,
  toCountersign,
} from '../sheet/countersigns';
import { logFiled } from '../sheet/log';
import { isRevised, sheetById } from '../sheet/shelf';

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
      async (c) => c.json(await countersignRulesOf(store.tables), 200),
    )
    .openapi(
      sendRoute('put', '/countersign-rules', 'Change what a second signature is wanted under', {
        body: countersignRulesSchema,
        response: countersignRulesSchema,
      }),
      async (c) => {
        const rules = c.req.valid('json');
        const { name } = signedIn(c).person;
        const document = { id: COUNTERSIGN_RULES, body: JSON.stringify(rules) };
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
        return c.json(rows.map(toCountersign), 200);
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
          const rules = await countersignRulesOf(tables);
          const state = await countersignStateOf(tables, sheet, rules);
          const trouble = countersignTrouble(sheet, said, state, rules);
          if (trouble) throw new Problem(409, trouble);
          await tables.countersigns.create({ sheet: sheet.hash, body: JSON.stringify(said) });
          // Who drops it later is seen by the line that is left.
          const { valve_id } = sheet.body;
          await logFiled(tables, store.signer, { hash: countersignDigest(said), valve_id });
        });
        return c.json(said, 200);
      },
    );

/** @throws Problem where the signature is not over what is said, or by a key that he did not sign in with */
async function mustBeSigned(said: Countersign, own: string | null): Promise<void> {
  const { key, signature } = said.signed;
  if (!(await check(key, countersignDigest(said), signature)))
    throw new Problem(422, 'countersign.signature_wrong');
  if (own !== null && keyNameOf(key) !== own) throw new Problem(422, 'countersign.other_key');
}

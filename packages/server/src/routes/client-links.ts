import { createRoute, z } from '@hono/zod-openapi';
import {
  clientLinkAskedSchema,
  clientLinkSchema,
  clientViewSchema,
  LONGEST_LINK_MS,
  may,
  newClientLinkSchema,
  receiptSchema,
  sheetFile,
  sheetFileName,
  type ClientLink,
  type ClientLinkAsked,
  type NewClientLink,
  type Receipt,
  type Sheet,
} from '@holvek/core';
import { sheetPdf } from '@holvek/paper';
import type { Context } from 'hono';
import type { Store } from '../db/open';
import { notFound, Problem, refusals } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { signedIn } from '../people/gate';
import { idOfToken, newToken } from '../people/sessions';
import { besideOf } from './beside';
import { restsOn } from '../sheet/evidence-file';
import { fontsIn } from '../sheet/fonts';
import { isRevised, sheetById } from '../sheet/shelf';

const endOne = createRoute({
  method: 'delete',
  path: '/client-links/{id}',
  summary: 'End the address of a client',
  request: { params: z.object({ id: z.string().max(64) }) },
  responses: {
    200: {
      description: 'The addresses that are left',
      content: { 'application/json': { schema: z.array(clientLinkSchema) } },
    },
    ...refusals,
  },
});

const linkIn = ({ body }: { readonly body: string }) => clientLinkSchema.parse(JSON.parse(body));

/** What is known of the addresses that were handed out. */
function clientDesk(store: Store, now: () => number) {
  /** Those that still open anything: his own; all of them for a supervisor. */
  const seenBy = async (c: Context): Promise<ClientLink[]> => {
    const { name, role } = signedIn(c).person;
    const rows = await store.tables.client_links.findAll({ where: { ended_ms: null }, raw: true });
    return rows
      .map(linkIn)
      .filter((link) => link.until_ms > now())
      .filter(({ made_by: maker }) => maker === name || may(role, 'countersign'))
      .sort((a, b) => a.since_ms - b.since_ms);
  };
  /** @throws Problem 404: wrong, made up, run out and ended are told alike */
  const linkOf = async (token: string): Promise<ClientLink> => {
    const row = await store.tables.client_links.findByPk(idOfToken(token), { raw: true });
    const link = row?.ended_ms === null ? linkIn(row) : undefined;
    if (!link || link.until_ms <= now()) throw notFound('client_link', '');
    return link;
  };
  /** @throws Problem 404 for a sheet that was not handed out by this address */
  const sheetOf = async (token: string, id: string): Promise<Sheet> => {
    const { sheet_ids: ids } = await linkOf(token);
    const sheet = ids.includes(id) ? await sheetById(store, id) : undefined;
    if (!sheet) throw notFound('sheet', id);
    return sheet;
  };
  const viewOf = async ({ sheet_ids: ids, ...link }: ClientLink) => {
    const found = await Promise.all(ids.map((id) => sheetById(store, id)));
    const sheets = found.filter((sheet) => sheet !== undefined);
    const corrected: string[] = [];
    for (const sheet of sheets) if (await isRevised(store.tables, sheet)) corrected.push(sheet.id);
    const { client, order, until_ms, made_by, received } = link;
    return {
      ...{ client, until_ms, made_by, sheets, corrected },
      ...(order === undefined ? {} : { order }),
      ...(received === undefined ? {} : { received }),
    };
  };
  return { seenBy, linkOf, sheetOf, viewOf };
}

/** Says once who has received what an address shows. @throws Problem 409 where somebody has */
const receivedBy = (store: Store, id: string, received: Receipt): Promise<ClientLink> =>
  store.write(async ({ client_links: kept }) => {
    // Read in the same transaction: of two at once, one has received it.
    const row = await kept.findByPk(id, { raw: true });
    const before = linkIn(row!);
    if (before.received) throw new Problem(409, 'client_link.received_already');
    const after: ClientLink = { ...before, received };
    await kept.update({ body: JSON.stringify(after) }, { where: { id } });
    return after;
  });

/** Keeps a new address. @throws Problem where its day or one of its sheets cannot be */
async function newLink(
  store: Store,
  asked: ClientLinkAsked,
  by: Pick<ClientLink, 'made_by' | 'since_ms'>,
): Promise<NewClientLink> {
  const { since_ms: at } = by;
  if (asked.until_ms <= at || asked.until_ms > at + LONGEST_LINK_MS)
    throw new Problem(422, 'client_link.until_wrong');
  for (const id of asked.sheet_ids) {
    const sheet = await sheetById(store, id);
    if (!sheet) throw notFound('sheet', id);
    if (sheet.body.rehearsal) throw new Problem(422, 'sheet.is_practice', { id });
  }
  const token = newToken();
  const link: ClientLink = { ...asked, ...by, id: idOfToken(token) };
  await store.write(({ client_links: kept }) =>
    kept.create({ id: link.id, body: JSON.stringify(link), ended_ms: null }),
  );
  return { ...link, path: `/client/${token}` };
}

/** Sheets as a client sees them, by an address of his own, until its day or until it is ended. */
export function clientLinkRoutes(store: Store, fontFolder: string, now: () => number = Date.now) {
  const fonts = fontsIn(fontFolder);
  const { seenBy, linkOf, sheetOf, viewOf } = clientDesk(store, now);
  const router = newRouter();
  router.get('/client/:token/:id{.+\\.pdf}', async (c) => {
    const sheet = await sheetOf(c.req.param('token'), c.req.param('id').replace(/\.pdf$/u, ''));
    // Of others who were handed the same sheet he sees nothing.
    const { received } = await linkOf(c.req.param('token'));
    const pdf = await sheetPdf(sheet, fonts, { ...(await besideOf(store, sheet)), received });
    return download(c, sheet, { ending: 'pdf', content: pdf, type: 'application/pdf' });
  });
  router.get('/client/:token/:id{.+\\.json}', async (c) => {
    const sheet = await sheetOf(c.req.param('token'), c.req.param('id').replace(/\.json$/u, ''));
    const content = JSON.stringify(sheetFile(sheet, await restsOn(store, sheet)), null, 2);
    return download(c, sheet, { ending: 'json', content, type: 'application/json' });
  });
  return router
    .openapi(
      getRoute('/client-links', 'Addresses that clients have', z.array(clientLinkSchema)),
      async (c) => c.json(await seenBy(c), 200),
    )
    .openapi(
      sendRoute('post', '/client-links', 'Make an address for a client', {
        body: clientLinkAskedSchema,
        response: newClientLinkSchema,
      }),
      async (c) => {
        const by = { made_by: signedIn(c).person.name, since_ms: now() };
        return c.json(await newLink(store, c.req.valid('json'), by), 200);
      },
    )
    .openapi(endOne, async (c) => {
      const { id } = c.req.valid('param');
      const link = (await seenBy(c)).find((each) => each.id === id);
      if (!link) throw notFound('client_link', id);
      await store.write(({ client_links: kept }) =>
        kept.update({ ended_ms: now() }, { where: { id: link.id } }),
      );
      return c.json(await seenBy(c), 200);
    })
    .openapi(getRoute('/client/{token}', 'What a client was handed', clientViewSchema), async (c) =>
      c.json(await viewOf(await linkOf(c.req.param('token'))), 200),
    )
    .openapi(
      sendRoute('post', '/client/{token}/received', 'Say that it was received, once', {
        body: receiptSchema.omit({ at_ms: true }),
        response: clientViewSchema,
      }),
      async (c) => {
        const { id } = await linkOf(c.req.param('token'));
        const link = await receivedBy(store, id, { ...c.req.valid('json'), at_ms: now() });
        return c.json(await viewOf(link), 200);
      },
    );
}

type Download = {
  readonly ending: 'pdf' | 'json';
  readonly content: string | Uint8Array<ArrayBuffer>;
  readonly type: string;
};
const download = (c: Context, { body }: Sheet, { ending, content, type }: Download) =>
  c.body(content, 200, {
    'content-type': type,
    'content-disposition': `attachment; filename="${sheetFileName(body, ending)}"`,
  });

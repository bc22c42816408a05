import { z } from '@hono/zod-openapi';
import {
  checkWith,
  isCorrectionSigned,
  keySignatureSchema,
  readingRowsOf,
  reviseSheet,
  sheetFile,
  sheetFileName,
  sheetSchema,
  writeReadingsCsv,
  type Sheet,
} from '@holvek/core';
import { sheetPdf } from '@holvek/paper';
import type { Context } from 'hono';
import type { Store } from '../db/open';
import { Problem, notFound } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { signedIn } from '../people/gate';
import { besideOf } from './beside';
import { restsOn } from '../sheet/evidence-file';
import { fontsIn } from '../sheet/fonts';
import { fileSheet, isRevised, latestPractice, latestSheets, sheetById } from '../sheet/shelf';

const revision = z.object({
  by: z.string().trim().min(2).max(80),
  why: z.string().min(3).max(2000),
  notes: z.array(z.string().max(2000)).max(50),
  at_ms: z.number().int().nonnegative(),
  /** The reviser's own signature over `correctionDigest`. */
  signed: keySignatureSchema,
});

const check = checkWith(globalThis.crypto.subtle);

type Paper = {
  readonly ending: string;
  readonly content: string | Uint8Array<ArrayBuffer>;
  readonly type: string;
};

const download = (c: Context, { body }: Sheet, { ending, content, type }: Paper) =>
  c.body(content, 200, {
    'content-type': type,
    'content-disposition': `attachment; filename="${sheetFileName(body, ending)}"`,
  });

/** Signed sheets: read, downloaded, corrected by a new revision; never changed. */
export function sheetRoutes(store: Store, fontFolder: string) {
  const fonts = fontsIn(fontFolder);
  const find = async (id: string): Promise<Sheet> => {
    const sheet = await sheetById(store, id);
    if (!sheet) throw notFound('sheet', id);
    return sheet;
  };
  const router = newRouter();
  // Endings first: a plain id would swallow them.
  router.get('/sheets/:id{.+\\.pdf}', async (c) => {
    const sheet = await find(c.req.param('id').replace(/\.pdf$/u, ''));
    const pdf = await sheetPdf(sheet, fonts, await besideOf(store, sheet));
    return download(c, sheet, { ending: 'pdf', content: pdf, type: 'application/pdf' });
  });
  router.get('/sheets/:id{.+\\.csv}', async (c) => {
    const sheet = await find(c.req.param('id').replace(/\.csv$/u, ''));
    return download(c, sheet, {
      ending: 'csv',
      content: writeReadingsCsv(readingRowsOf(sheet.body)),
      type: 'text/csv; charset=utf-8',
    });
  });
  router.get('/sheets/:id{.+\\.json}', async (c) => {
    const sheet = await find(c.req.param('id').replace(/\.json$/u, ''));
    return download(c, sheet, {
      ending: 'json',
      content: JSON.stringify(sheetFile(sheet, await restsOn(store, sheet)), null, 2),
      type: 'application/json',
    });
  });
  return router
    .openapi(getRoute('/sheets', 'Latest sheets first', z.array(sheetSchema)), async (c) =>
      c.json(await latestSheets(store, 500), 200),
    )
    .openapi(getRoute('/practice', 'Latest practice first', z.array(sheetSchema)), async (c) =>
      c.json(await latestPractice(store, 200), 200),
    )
    .openapi(getRoute('/sheets/{id}', 'One sheet', sheetSchema), async (c) =>
      c.json(await find(c.req.param('id')), 200),
    )
    .openapi(
      sendRoute('post', '/sheets/{id}/revisions', 'Correct a sheet by a new revision', {
        body: revision,
        response: sheetSchema,
      }),
      async (c) => {
        const sheet = await find(c.req.param('id'));
        if (sheet.body.rehearsal) throw new Problem(409, 'sheet.is_practice');
        const said = c.req.valid('json');
        if (said.by !== signedIn(c).person.name) throw new Problem(403, 'person.other_name');
        const { valve_id } = sheet.body;
        if (!(await isCorrectionSigned(reviseSheet(sheet, said, sheet.hash), check)))
          throw new Problem(422, 'revision.signature_wrong');
        const revised = await store.write(async (tables) => {
          // Asked in the same transaction: of several at once, one is the revision.
          if (await isRevised(tables, sheet)) throw new Problem(409, 'sheet.already_revised');
          return fileSheet(tables, store.signer, valve_id, (latest) =>
            reviseSheet(sheet, said, latest ?? sheet.hash),
          );
        });
        return c.json(revised, 200);
      },
    );
}

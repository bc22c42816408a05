import { z } from '@hono/zod-openapi';
import {
  checkWith,
  evidenceFileSchema,
  evidenceSummarySchema,
  headSchema,
  keyNameOf,
  logLineSchema,
  pastOf,
  publicKeySchema,
  verifyEvidence,
  type EvidenceSummary,
  type RunEvent,
  type Sheet,
} from '@holvek/core';
import type { Store } from '../db/open';
import { Problem, notFound } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute } from '../http/route';
import { eventsOf } from '../ingest/rows';
import { evidenceOf, keysOf } from '../sheet/evidence-file';
import { headOf, lineOf, linesAfter } from '../sheet/log';
import { sheetById } from '../sheet/shelf';

const check = checkWith(globalThis.crypto.subtle);

/** What anybody needs to check the record by himself: keys, log, and sheets with their entries. */
export function evidenceRoutes(store: Store) {
  const { tables } = store;
  const exists = async (id: string) => {
    if (!(await tables.valves.findByPk(id, { raw: true }))) throw notFound('valve', id);
  };
  const router = newRouter();
  router.get('/valves/:id/evidence.json', async (c) => {
    const id = c.req.param('id');
    await exists(id);
    c.header('content-disposition', `attachment; filename="${id}-evidence.json"`);
    return c.json(await evidenceOf(store, [id]), 200);
  });
  router.get('/evidence.json', async (c) => {
    const rows = await tables.valves.findAll({ attributes: ['id'], raw: true });
    c.header('content-disposition', 'attachment; filename="evidence.json"');
    return c.json(
      await evidenceOf(
        store,
        rows.map(({ id }) => id),
      ),
      200,
    );
  });
  return router
    .openapi(
      getRoute(
        '/keys',
        'Public keys of this house, the one that signs now first',
        z.object({ keys: z.array(publicKeySchema.extend({ name: z.string() })) }),
      ),
      async (c) => {
        const keys = (await keysOf(store)).map((key) => ({ ...key, name: keyNameOf(key) }));
        return c.json({ keys }, 200);
      },
    )
    .openapi(
      getRoute(
        '/log',
        'Lines of the log after ?after, and where it stands',
        z.object({ head: headSchema, lines: z.array(logLineSchema) }),
      ),
      async (c) => {
        const after = Number(c.req.query('after') ?? 0);
        if (!Number.isInteger(after) || after < 0) throw new Problem(400, 'request.invalid');
        return c.json({ head: await headOf(tables), lines: await linesAfter(tables, after) }, 200);
      },
    )
    .openapi(
      getRoute(
        '/valves/{id}/verify',
        'Check everything that a valve’s record rests on',
        z.object({ sheets: z.number(), entries: z.number(), lines: z.number() }),
      ),
      async (c) => {
        const id = c.req.param('id');
        await exists(id);
        const file = evidenceFileSchema.parse(await evidenceOf(store, [id]));
        const { faults, notes: _, ...counts } = await verifyEvidence(file, { check });
        if (faults[0]) throw new Problem(409, faults[0].code, faults);
        return c.json(counts, 200);
      },
    )
    .openapi(
      getRoute('/sheets/{id}/evidence', 'What a sheet rests on', evidenceSummarySchema),
      async (c) => {
        const id = c.req.param('id');
        const sheet = await sheetById(store, id);
        if (!sheet) throw notFound('sheet', id);
        return c.json(await summaryOf(store, sheet), 200);
      },
    );
}

/** Its place in the log, and what came to its run without standing in it. */
async function summaryOf({ tables }: Store, { hash, body }: Sheet): Promise<EvidenceSummary> {
  const events = await eventsOf(tables, body.run_id);
  const signature = events
    .filter((event) => event.type === 'signed')
    .find(({ root }) => root === body.root);
  const covered = new Set<RunEvent>(signature ? pastOf(signature, events).covered : events);
  const refused = await tables.refused.findAll({ where: { run_id: body.run_id }, raw: true });
  const late = events.filter((event) => event !== signature && !covered.has(event));
  const told = ({ type, author, at_ms }: Pick<RunEvent, 'type' | 'author' | 'at_ms'>) => ({
    type,
    author,
    at_ms,
  });
  return {
    line: (await lineOf(tables, hash)) ?? null,
    entries: body.covers ?? null,
    key: signature?.device_signature ? keyNameOf(signature.device_signature.key) : null,
    after_signature: [
      ...late.map(told),
      ...refused
        .filter(({ code }) => code === 'run.already_signed')
        .map((row) => told(JSON.parse(row.body) as RunEvent)),
    ],
  };
}

import {
  freezeSheet,
  hashOf,
  sheetSchema,
  unwrap,
  valveAfter,
  valveSchema,
  type Run,
  type Sheet,
  type SheetBody,
} from '@holvek/core';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';

type Row = { readonly id: string; readonly hash: string; readonly body: string };
const toSheet = ({ id, hash, body }: Row): Sheet =>
  sheetSchema.parse({ id, hash, body: JSON.parse(body) });

/** Sheets of a valve, first to last. */
export async function sheetsOf(store: Store, valveId: string): Promise<Sheet[]> {
  const rows = await store.tables.sheets.findAll({
    where: { valve_id: valveId },
    order: [['seq', 'ASC']],
  });
  return rows.map(toSheet);
}

/** Latest sheets of all valves first; at most `most`. */
export async function latestSheets(store: Store, most: number): Promise<Sheet[]> {
  const rows = await store.tables.sheets.findAll({
    order: [
      ['signed_at_ms', 'DESC'],
      ['seq', 'DESC'],
    ],
    limit: most,
  });
  return rows.map(toSheet);
}

export async function sheetById(store: Store, id: string): Promise<Sheet | undefined> {
  const row = await store.tables.sheets.findByPk(id);
  return row ? toSheet(row) : undefined;
}

/** Adds a body to the end of its valve's chain. `build` is given the hash it must follow. */
export async function fileSheet(
  tables: Tables,
  valveId: string,
  build: (previousHash: string | null) => SheetBody,
): Promise<Sheet> {
  const last = await tables.sheets.findOne({
    where: { valve_id: valveId },
    order: [['seq', 'DESC']],
  });
  const body = build(last?.hash ?? null);
  const hash = hashOf(body);
  const sheet: Sheet = { id: hash.slice(0, 24), hash, body };
  await tables.sheets.create({
    id: sheet.id,
    seq: (last?.seq ?? 0) + 1,
    valve_id: valveId,
    run_id: body.run_id,
    hash,
    signed_at_ms: body.signed_at_ms,
    body: JSON.stringify(body),
  });
  return sheet;
}

/** Freezes a signed run onto its valve's chain, and lets the register learn what the run has changed. */
export async function fileRun(tables: Tables, run: Run): Promise<Sheet> {
  const valveId = run.started.valve_id;
  const sheet = await fileSheet(tables, valveId, (previous) => unwrap(freezeSheet(run, previous)));
  const row = await tables.valves.findByPk(valveId, { raw: true });
  if (row) {
    const after = valveAfter(valveSchema.parse(JSON.parse(row.body)), sheet);
    await tables.valves.update({ body: JSON.stringify(after) }, { where: { id: valveId } });
  }
  return sheet;
}

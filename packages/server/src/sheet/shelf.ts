import {
  freezeSheet,
  hashOf,
  isPractice,
  unwrap,
  valveAfter,
  valveSchema,
  type Run,
  type Sheet,
  type SheetBody,
  type Signer,
} from '@holvek/core';
import { and, literal, where } from 'sequelize';
import type { Store } from '../db/open';
import { keepDocument } from '../db/keep';
import type { Tables } from '../db/tables';
import { logFiled } from './log';
import { writeSummary } from './summary';
import { toSheet } from './stored';

/** The whole chain of a valve, first to last; chains of before hold practice too. */
export async function chainOf(store: Store, valveId: string): Promise<Sheet[]> {
  const rows = await store.tables.sheets.findAll({
    where: { valve_id: valveId },
    order: [['seq', 'ASC']],
  });
  return rows.map(toSheet);
}

const isRecord = ({ body }: Sheet): boolean => !body.rehearsal;

/** Records of a valve, first to last. */
export const sheetsOf = async (store: Store, valveId: string): Promise<Sheet[]> =>
  (await chainOf(store, valveId)).filter(isRecord);

/** Latest records of all valves first; at most `most`. */
export async function latestSheets(store: Store, most: number): Promise<Sheet[]> {
  const rows = await store.tables.sheets.findAll({
    where: literal("body ->> '$.rehearsal' = 0"),
    order: [
      ['signed_at_ms', 'DESC'],
      ['seq', 'DESC'],
    ],
    limit: most,
  });
  return rows.map(toSheet);
}

/** Practice, latest first, that of before too; of one valve where it is named. */
export async function latestPractice(
  store: Store,
  most: number,
  valveId?: string,
): Promise<Sheet[]> {
  const own = valveId === undefined ? {} : { valve_id: valveId };
  const page = { order: [['signed_at_ms', 'DESC']] as [string, string][], limit: most };
  const [kept, before] = await Promise.all([
    store.tables.practice.findAll({ where: own, ...page }),
    store.tables.sheets.findAll({
      where: and(own, literal("body ->> '$.rehearsal' = 1")),
      ...page,
    }),
  ]);
  return [...kept, ...before]
    .map(toSheet)
    .sort((a, b) => b.body.signed_at_ms - a.body.signed_at_ms)
    .slice(0, most);
}

export async function sheetById(store: Store, id: string): Promise<Sheet | undefined> {
  const { sheets, practice } = store.tables;
  const row = (await sheets.findByPk(id)) ?? (await practice.findByPk(id));
  return row ? toSheet(row) : undefined;
}

/** Whether a later revision corrects this sheet. */
export const isRevised = async (tables: Tables, { hash, body }: Sheet): Promise<boolean> =>
  (await tables.sheets.count({
    where: and({ valve_id: body.valve_id }, where(literal("body ->> '$.corrects.hash'"), hash)),
  })) > 0;

function sheetFrom(body: SheetBody): Sheet {
  const hash = hashOf(body);
  return { id: hash.slice(0, 24), hash, body };
}

/** Adds a body to the end of its valve's chain. `build` is given the hash it must follow. */
export async function fileSheet(
  tables: Tables,
  signer: Signer,
  valveId: string,
  build: (previousHash: string | null) => SheetBody,
): Promise<Sheet> {
  const last = await tables.sheets.findOne({
    where: { valve_id: valveId },
    order: [['seq', 'DESC']],
  });
  const body = build(last?.hash ?? null);
  const sheet = sheetFrom(body);
  const { hash } = sheet;
  await tables.sheets.create({
    id: sheet.id,
    seq: (last?.seq ?? 0) + 1,
    valve_id: valveId,
    run_id: body.run_id,
    hash,
    signed_at_ms: body.signed_at_ms,
    body: JSON.stringify(body),
  });
  await logFiled(tables, signer, { hash, valve_id: valveId });
  await writeSummary(tables, valveId);
  return sheet;
}

/**
 * Freezes a signed run. A record goes onto its valve's chain, and the register learns what the run has
 * changed; practice is kept apart and teaches nothing.
 */
export async function fileRun(tables: Tables, signer: Signer, run: Run): Promise<Sheet> {
  const valveId = run.started.valve_id;
  if (isPractice(run.started)) return filePractice(tables, unwrap(freezeSheet(run, null)));
  const sheet = await fileSheet(tables, signer, valveId, (previous) =>
    unwrap(freezeSheet(run, previous)),
  );
  const row = await tables.valves.findByPk(valveId, { raw: true });
  if (row) {
    const after = valveAfter(valveSchema.parse(JSON.parse(row.body)), sheet);
    const body = JSON.stringify(after);
    await keepDocument(
      tables,
      'valves',
      { id: valveId, tag: after.tag, body },
      sheet.body.technician,
    );
  }
  return sheet;
}

async function filePractice(tables: Tables, body: SheetBody): Promise<Sheet> {
  const sheet = sheetFrom(body);
  const { valve_id, run_id, signed_at_ms } = body;
  const { id, hash } = sheet;
  await tables.practice.create({
    id,
    valve_id,
    run_id,
    hash,
    signed_at_ms,
    body: JSON.stringify(body),
  });
  return sheet;
}

import {
  countersignDigest,
  countersignSchema,
  EMPTY_HEAD,
  hashOfLine,
  logLineSchema,
  type Head,
  type LogLine,
  type Signer,
} from '@holvek/core';
import { Op } from 'sequelize';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';

/** Where the log stands. */
export async function headOf(tables: Tables): Promise<Head> {
  const last = await tables.log.findOne({ order: [['seq', 'DESC']], raw: true });
  return last ? { seq: last.seq, hash: last.hash } : EMPTY_HEAD;
}

/** Writes what is filed into the log, over the line before, signed: a sheet, or what was said of one. */
export async function logFiled(
  tables: Tables,
  signer: Signer,
  { hash: sheet, valve_id }: { readonly hash: string; readonly valve_id: string },
): Promise<LogLine> {
  const { seq, hash: previous } = await headOf(tables);
  const said = { seq: seq + 1, valve_id, sheet, at_ms: Date.now(), previous };
  const hash = hashOfLine(said);
  const line = { ...said, hash, key: signer.name, signature: await signer.sign(hash) };
  await tables.log.create(line);
  return line;
}

/** Lines after a number, in order. */
export async function linesAfter(tables: Tables, seq: number): Promise<LogLine[]> {
  const rows = await tables.log.findAll({
    where: { seq: { [Op.gt]: seq } },
    order: [['seq', 'ASC']],
    raw: true,
  });
  return rows.map((row) => logLineSchema.parse(row));
}

export async function lineOf(tables: Tables, sheetHash: string): Promise<LogLine | undefined> {
  const row = await tables.log.findOne({ where: { sheet: sheetHash }, raw: true });
  return row ? logLineSchema.parse(row) : undefined;
}

/**
 * Sheets that were filed before there was a log are entered into it, in the order in which they came.
 *
 * @returns how many
 */
export const logOldSheets = (store: Store): Promise<number> =>
  store.write(async (tables) => {
    const [rows] = await tables.sheets.sequelize!.query(
      `SELECT hash, valve_id FROM sheets WHERE hash NOT IN (SELECT sheet FROM log) ORDER BY rowid`,
    );
    for (const sheet of rows as { hash: string; valve_id: string }[])
      await logFiled(tables, store.signer, sheet);
    return rows.length;
  });

/**
 * What a second pair of eyes said before it got a line of its own is entered in the order in which it came.
 *
 * @returns how many
 */
export const logOldCountersigns = (store: Store): Promise<number> =>
  store.write(async (tables) => {
    const rows = await tables.countersigns.findAll({ order: [['seq', 'ASC']], raw: true });
    let entered = 0;
    for (const said of rows.map(({ body }) => countersignSchema.parse(JSON.parse(body)))) {
      const hash = countersignDigest(said);
      const sheet = await tables.sheets.findOne({ where: { hash: said.sheet }, raw: true });
      if (!sheet || (await lineOf(tables, hash))) continue;
      await logFiled(tables, store.signer, { hash, valve_id: sheet.valve_id });
      entered += 1;
    }
    return entered;
  });

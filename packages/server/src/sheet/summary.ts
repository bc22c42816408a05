import { summaryOf, valveSummarySchema, type ValveSummary } from '@holvek/core';
import { QueryTypes } from 'sequelize';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';
import { writeLessons } from './fleet';
import { toSheet } from './stored';

/** Makes a valve's rows anew from its sheets: its summary, and what it teaches of its kind. */
export async function writeSummary(tables: Tables, valveId: string): Promise<void> {
  const rows = await tables.sheets.findAll({ where: { valve_id: valveId }, raw: true });
  const sheets = rows.map(toSheet);
  const body = JSON.stringify(summaryOf(valveId, sheets));
  await tables.summaries.upsert({ valve_id: valveId, body });
  await writeLessons(tables, valveId, sheets);
}

/** Valves that have sheets and no row yet: those of a database from before there were any. */
const WITHOUT = `SELECT id FROM valves
  WHERE id NOT IN (SELECT valve_id FROM summaries)
    AND EXISTS (SELECT 1 FROM sheets WHERE sheets.valve_id = valves.id)`;

/** A row for every valve that was ever visited. */
export async function allSummaries(store: Store): Promise<ValveSummary[]> {
  const missing = await store.sequelize.query<{ id: string }>(WITHOUT, { type: QueryTypes.SELECT });
  if (missing.length > 0)
    await store.write(async (tables) => {
      for (const { id } of missing) await writeSummary(tables, id);
    });
  const rows = await store.tables.summaries.findAll({ order: [['valve_id', 'ASC']], raw: true });
  return rows.map(({ body }) => valveSummarySchema.parse(JSON.parse(body)));
}

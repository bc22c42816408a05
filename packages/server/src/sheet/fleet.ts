import { learnFleet, lessonSchema, lessonsOf, type FleetKind, type Sheet } from '@holvek/core';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';
import { toSheet } from './stored';

const lessonsSchema = z.array(lessonSchema);

/** Keeps what a valve's sheets have to teach others of its kind. */
export async function writeLessons(
  tables: Tables,
  valveId: string,
  sheets: readonly Sheet[],
): Promise<void> {
  await tables.lessons.upsert({ valve_id: valveId, body: JSON.stringify(lessonsOf(sheets)) });
}

/** Valves whose sheets were filed before anything was learned from them. */
const WITHOUT = `SELECT valve_id AS id FROM summaries
  WHERE valve_id NOT IN (SELECT valve_id FROM lessons)`;

/** What the whole fleet has taught of valves that were never met, by kind. */
export async function fleetOf(store: Store): Promise<readonly FleetKind[]> {
  const missing = await store.sequelize.query<{ id: string }>(WITHOUT, { type: QueryTypes.SELECT });
  if (missing.length > 0)
    await store.write(async (tables) => {
      for (const { id } of missing) {
        const rows = await tables.sheets.findAll({ where: { valve_id: id }, raw: true });
        await writeLessons(tables, id, rows.map(toSheet));
      }
    });
  const rows = await store.tables.lessons.findAll({ order: [['valve_id', 'ASC']], raw: true });
  return learnFleet(rows.flatMap(({ body }) => lessonsSchema.parse(JSON.parse(body))));
}

import type { Model, ModelStatic } from 'sequelize';
import type { Tables } from './tables';

export type Kind =
  | 'sites'
  | 'valves'
  | 'gauges'
  | 'rounds'
  | 'systems'
  | 'repairs'
  | 'photos'
  | 'notices'
  | 'seasons'
  | 'people'
  | 'settings';
export type Document = { readonly id: string; readonly tag?: string; readonly body: string };

type Row = { id: string; body: string };
/** One of the tables as what all of them have: of a union of models, which call is meant is anybody's guess. */
export const modelOf = (tables: Tables, kind: Kind) =>
  tables[kind] as unknown as ModelStatic<Model<Row, Row> & Row>;

/**
 * Writes a document of the register, and its version into the history, in one transaction of the caller.
 * The same words again are no new version.
 *
 * @param who  as the one who changed it calls himself; nobody where the house did it by itself
 */
export async function keepDocument(
  tables: Tables,
  kind: Kind,
  document: Document,
  who?: string,
): Promise<void> {
  const { id, body } = document;
  const model = modelOf(tables, kind);
  const before = await model.findByPk(id, { raw: true });
  await model.upsert(document);
  if (before?.body === body) return;
  await tables.history.create({ kind, id, at_ms: Date.now(), who: who ?? null, body });
}

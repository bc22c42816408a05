import type { Tables } from './tables';

export type Kind =
  'sites' | 'valves' | 'gauges' | 'rounds' | 'systems' | 'repairs' | 'people' | 'settings';
export type Document = { readonly id: string; readonly tag?: string; readonly body: string };

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
  const before = await tables[kind].findByPk(id, { raw: true });
  await tables[kind].upsert(document as never);
  if (before?.body === body) return;
  await tables.history.create({ kind, id, at_ms: Date.now(), who: who ?? null, body });
}

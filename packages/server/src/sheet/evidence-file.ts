import {
  evidenceFileSchema,
  publicKeySchema,
  type Countersign,
  type EvidenceFile,
  type PublicKey,
  type Sheet,
  type SheetEvidence,
} from '@holvek/core';
import type { Store } from '../db/open';
import { rawEventsOf } from '../ingest/rows';
import { chainOf } from './shelf';
import { toCountersign } from './countersigns';
import { lineOf, linesAfter } from './log';

/** Whole chains of valves with the entries under them, the log and the key: what can be checked elsewhere. */
export async function evidenceOf(store: Store, valves: readonly string[]): Promise<EvidenceFile> {
  const log = await linesAfter(store.tables, 0);
  const chains = await Promise.all(valves.map((id) => chainOf(store, id)));
  const place = new Map(log.map(({ sheet, seq }) => [sheet, seq]));
  // One that is not in the log comes first: where it stands is what is wrong with it.
  const at = ({ hash }: Sheet) => place.get(hash) ?? 0;
  const sheets = chains.flat().sort((a, b) => at(a) - at(b));
  const runs: EvidenceFile['runs'] = {};
  for (const id of new Set(sheets.map(({ body }) => body.run_id)))
    runs[id] = await rawEventsOf(store.tables, id);
  return {
    format: 'holvek.evidence',
    version: evidenceFileSchema.shape.version.value,
    valves: [...valves],
    sheets,
    runs,
    log,
    keys: await keysOf(store),
    countersigns: await saidOf(
      store,
      sheets.map(({ hash }) => hash),
    ),
  };
}

/** What a second pair of eyes said of sheets, in the order in which it was taken in. */
async function saidOf({ tables }: Store, sheets: readonly string[]): Promise<Countersign[]> {
  const rows = await tables.countersigns.findAll({
    where: sheets.length === 1 ? { sheet: sheets[0]! } : {},
    order: [['seq', 'ASC']],
    raw: true,
  });
  const wanted = new Set(sheets);
  return rows.map(toCountersign).filter(({ sheet }) => wanted.has(sheet));
}

/** Every key that has signed here, the one that signs now first. */
export async function keysOf({ tables, signer }: Store): Promise<PublicKey[]> {
  const rows = await tables.keys.findAll({ order: [['since_ms', 'ASC']], raw: true });
  const before = rows.filter(({ name }) => name !== signer.name);
  return [signer.publicKey, ...before.map(({ body }) => publicKeySchema.parse(JSON.parse(body)))];
}

/** What one sheet rests on: entries as they were sent, its line in the log, the keys. */
export async function restsOn(
  store: Store,
  { hash, body }: Sheet,
): Promise<Omit<SheetEvidence, 'sheet'>> {
  return {
    entries: await rawEventsOf(store.tables, body.run_id),
    line: await lineOf(store.tables, hash),
    keys: await keysOf(store),
    countersigns: await saidOf(store, [hash]),
  };
}

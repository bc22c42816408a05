import { hashOfEntry, runEventSchema, type RunEvent } from '@holvek/core';
import type { Prepared } from '../db/prepared';
import type { Tables } from '../db/tables';
import type { Refused, Sent } from './door';

/** The entries of a run, in order. */
export async function eventsOf(tables: Tables, runId: string): Promise<RunEvent[]> {
  return (await rawEventsOf(tables, runId)).map((raw) => runEventSchema.parse(raw));
}

/** The same, as they were sent: what their hashes are over. */
export async function rawEventsOf(tables: Tables, runId: string): Promise<unknown[]> {
  const rows = await tables.events.findAll({
    where: { run_id: runId },
    order: [
      ['lamport', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
  return rows.map(({ body }) => JSON.parse(body) as unknown);
}

/** All entries of a batch in one statement: SQLite takes the array apart itself. */
export const insertEvents = (prepared: Prepared, sent: readonly Sent[]) =>
  prepared.run(
    `INSERT INTO events (id, run_id, type, lamport, at_ms, body)
     SELECT value ->> 'id', value ->> 'run_id', value ->> 'type', value ->> 'lamport', value ->> 'at_ms', value
     FROM json_each(?)`,
    JSON.stringify(sent.map(({ raw }) => raw)),
  );

export const refusedHashes = async (tables: Tables, runId: string): Promise<Set<string>> => {
  const rows = await tables.refused.findAll({ where: { run_id: runId }, raw: true });
  return new Set(rows.map(({ hash }) => hash));
};

/** Keeps what was refused aside, with its reason; the same entry sent again is one. */
export async function keepRefused(
  tables: Tables,
  runId: string,
  sent: Sent,
  { id, code }: Refused,
): Promise<void> {
  const hash = hashOfEntry(sent.event);
  if (await tables.refused.findOne({ where: { run_id: runId, hash } })) return;
  const body = JSON.stringify(sent.raw);
  await tables.refused.create({ hash, run_id: runId, id, code, at_ms: Date.now(), body });
}

type Touch = {
  readonly runId: string;
  readonly accepted: readonly RunEvent[];
};

/** The run’s row exists before its entries do, and knows its valve once the start has come in. */
export async function touchRun(prepared: Prepared, { runId, accepted }: Touch): Promise<void> {
  const last = Math.max(...accepted.map(({ at_ms }) => at_ms));
  const valve = accepted.find((event) => event.type === 'started')?.valve_id ?? null;
  await prepared.run(
    `INSERT INTO runs (id, valve_id, status, refusal, last_at_ms) VALUES (?, ?, 'open', NULL, ?)
     ON CONFLICT (id) DO UPDATE SET
       last_at_ms = excluded.last_at_ms, valve_id = coalesce(excluded.valve_id, valve_id)`,
    runId,
    valve,
    last,
  );
}

/** What a run is to this house. */
export type Standing = { readonly status: string; readonly refusal: string | null };

/** How a run stands here; undefined where nothing of it has come. */
export async function standingOf(prepared: Prepared, runId: string): Promise<Standing | undefined> {
  const sql = 'SELECT status, refusal FROM runs WHERE id = ?';
  const [row] = await prepared.all<Standing>(sql, runId);
  return row;
}

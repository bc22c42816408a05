import {
  canonicalJson,
  type Ingested,
  reduceRun,
  runEventSchema,
  signingError,
  startError,
  type RunEvent,
} from '@holvek/core';
import { QueryTypes } from 'sequelize';
import type { Store } from './db/open';
import type { Tables } from './db/tables';
import { fileRun } from './sheet/shelf';

/**
 * Takes a batch of events of one run into the log. The same id twice is one event; the order of
 * arrival does not matter; nothing joins a run that is signed, and the phone is told so.
 */
export const ingest = (
  store: Store,
  runId: string,
  batch: readonly RunEvent[],
): Promise<Ingested> =>
  store.write(async (tables) => {
    const run = await tables.runs.findByPk(runId, { raw: true });
    const { known, taken } = await compareIds(tables, runId, batch);
    const fresh = batch.filter(
      ({ id }, i) => !known.has(id) && !taken.has(id) && batch.findIndex((e) => e.id === id) === i,
    );
    const alien = fresh.filter(({ run_id }) => run_id !== runId);
    const isSigned = run?.status === 'signed';
    const wanted = fresh.filter((event) => event.run_id === runId && !isSigned);
    const refused = [
      ...[...taken].map((id) => ({ id, code: 'event.id_taken' })),
      ...alien.map(({ id }) => ({ id, code: 'event.other_run' })),
      ...(isSigned
        ? fresh
            .filter(({ run_id }) => run_id === runId)
            .map(({ id }) => ({ id, code: 'run.already_signed' }))
        : []),
    ];
    const started = wanted.find((event) => event.type === 'started');
    if (started && !(await tables.valves.findByPk(started.valve_id)))
      return {
        stored: [...known],
        refused: [
          ...refused,
          ...wanted.map(({ id }) => ({
            id,
            code: 'valve.not_found',
            detail: { id: started.valve_id },
          })),
        ],
      };
    const unfit = started && startError(started);
    if (unfit)
      return {
        stored: [...known],
        refused: [...refused, ...wanted.map(({ id }) => ({ id, code: unfit.code, detail: unfit }))],
      };
    if (wanted.length === 0) return { stored: [...known], refused };
    await touchRun(tables, { runId, wanted, started, exists: run !== null });
    await insertEvents(tables, wanted);
    const mayFreeze =
      run?.status === 'signing' ||
      wanted.some(({ type }) => type === 'signed' || type === 'abandoned');
    const sheetId = mayFreeze ? await conclude(tables, runId) : undefined;
    return {
      stored: [...known, ...wanted.map(({ id }) => id)],
      refused,
      ...(sheetId ? { sheetId } : {}),
    };
  });

/** Ids of a batch that are here already: the same entry again, or one that only bears its id. */
async function compareIds(tables: Tables, runId: string, batch: readonly RunEvent[]) {
  const rows = await tables.events.sequelize!.query<{ id: string; run_id: string; body: string }>(
    `SELECT id, run_id, body FROM events
     WHERE id IN (SELECT value FROM json_each($1))`,
    { bind: [JSON.stringify(batch.map(({ id }) => id))], type: QueryTypes.SELECT },
  );
  const kept = new Map(rows.map((row) => [row.id, row]));
  const isSame = (event: RunEvent): boolean => {
    const row = kept.get(event.id);
    if (row?.run_id !== runId) return false;
    // Read anew: what a later version has added by default is in both then.
    return canonicalJson(runEventSchema.parse(JSON.parse(row.body))) === canonicalJson(event);
  };
  const here = batch.filter(({ id }) => kept.has(id));
  return {
    known: new Set(here.filter(isSame).map(({ id }) => id)),
    taken: new Set(here.filter((event) => !isSame(event)).map(({ id }) => id)),
  };
}

/** All events of a batch in one statement: SQLite takes the array apart itself. */
const insertEvents = (tables: Tables, events: readonly RunEvent[]) =>
  tables.events.sequelize!.query(
    `INSERT INTO events (id, run_id, type, lamport, at_ms, body)
     SELECT value ->> 'id', value ->> 'run_id', value ->> 'type', value ->> 'lamport', value ->> 'at_ms', value
     FROM json_each($1)`,
    { bind: [JSON.stringify(events)] },
  );

type Touch = {
  readonly runId: string;
  readonly wanted: readonly RunEvent[];
  readonly started: Extract<RunEvent, { type: 'started' }> | undefined;
  readonly exists: boolean;
};

/** The run's row exists before its events do, and knows its valve once the start has come in. */
async function touchRun(tables: Tables, { runId, wanted, started, exists }: Touch) {
  const last_at_ms = Math.max(...wanted.map(({ at_ms }) => at_ms));
  const valve = started ? { valve_id: started.valve_id } : {};
  if (exists) await tables.runs.update({ last_at_ms, ...valve }, { where: { id: runId } });
  else
    await tables.runs.create({
      id: runId,
      valve_id: null,
      status: 'open',
      refusal: null,
      last_at_ms,
      ...valve,
    });
}

/** Freezes the run once the signature and all that it covers are here; else notes what is missing. */
async function conclude(tables: Tables, runId: string): Promise<string | undefined> {
  const events = await eventsOf(tables, runId);
  const reduced = reduceRun(events);
  const mark = (status: string, refusal: string | null) =>
    tables.runs.update({ status, refusal }, { where: { id: runId } });
  if (!reduced.ok) {
    await mark('signing', reduced.error.code);
    return undefined;
  }
  const run = reduced.value;
  if (run.status === 'abandoned') {
    await mark('abandoned', null);
    return undefined;
  }
  if (!run.signed || events.length < run.signed.covers + 1) {
    await mark('signing', 'run.events_missing');
    return undefined;
  }
  const blocked = signingError({ ...run, status: 'open' });
  if (blocked) {
    await mark('signing', blocked.code);
    return undefined;
  }
  const sheet = await fileRun(tables, run);
  await mark('signed', null);
  return sheet.id;
}

export async function eventsOf(tables: Tables, runId: string): Promise<RunEvent[]> {
  const rows = await tables.events.findAll({
    where: { run_id: runId },
    order: [
      ['lamport', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
  return rows.map(({ body }) => runEventSchema.parse(JSON.parse(body)));
}

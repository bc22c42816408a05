import { type Ingested, reduceRun, runEventSchema, signingError, type RunEvent } from '@holvek/core';
import type { Transaction } from 'sequelize';
import type { Store } from './db/open';
import { fileRun } from './sheet/shelf';

/**
 * Takes a batch of events of one run into the log. The same id twice is one event; the order of
 * arrival does not matter; nothing joins a run that is signed, and the phone is told so.
 */
export const ingest = (store: Store, runId: string, batch: readonly RunEvent[]): Promise<Ingested> =>
  store.write(async (transaction) => {
    const { tables } = store;
    const run = await tables.runs.findByPk(runId, { transaction });
    const known = await knownIds(store, runId, batch, transaction);
    const fresh = batch.filter(({ id }, i) => !known.has(id) && batch.findIndex((e) => e.id === id) === i);
    const alien = fresh.filter(({ run_id }) => run_id !== runId);
    const isSigned = run?.status === 'signed';
    const wanted = fresh.filter((event) => event.run_id === runId && !isSigned);
    const refused = [
      ...alien.map(({ id }) => ({ id, code: 'event.other_run' })),
      ...(isSigned
        ? fresh.filter(({ run_id }) => run_id === runId).map(({ id }) => ({ id, code: 'run.already_signed' }))
        : []),
    ];
    const started = wanted.find((event) => event.type === 'started');
    if (started && !(await tables.valves.findByPk(started.valve_id, { transaction })))
      return {
        stored: [...known],
        refused: [
          ...refused,
          ...wanted.map(({ id }) => ({ id, code: 'valve.not_found', detail: { id: started.valve_id } })),
        ],
      };
    if (wanted.length === 0) return { stored: [...known], refused };
    await touchRun(store, { runId, wanted, started, exists: run !== null }, transaction);
    await tables.events.bulkCreate(
      wanted.map((event) => ({
        id: event.id,
        run_id: runId,
        type: event.type,
        lamport: event.lamport,
        at_ms: event.at_ms,
        body: JSON.stringify(event),
      })),
      { transaction, ignoreDuplicates: true, validate: false, returning: false },
    );
    const mayFreeze =
      run?.status === 'signing' || wanted.some(({ type }) => type === 'signed' || type === 'abandoned');
    const sheetId = mayFreeze ? await conclude(store, runId, transaction) : undefined;
    return { stored: [...known, ...wanted.map(({ id }) => id)], refused, ...(sheetId ? { sheetId } : {}) };
  });

async function knownIds(store: Store, runId: string, batch: readonly RunEvent[], transaction: Transaction) {
  const rows = await store.tables.events.findAll({
    attributes: ['id'],
    where: { run_id: runId, id: batch.map(({ id }) => id) },
    transaction,
    raw: true,
  });
  return new Set(rows.map(({ id }) => id));
}

type Touch = {
  readonly runId: string;
  readonly wanted: readonly RunEvent[];
  readonly started: Extract<RunEvent, { type: 'started' }> | undefined;
  readonly exists: boolean;
};

/** The run's row exists before its events do, and knows its valve once the start has come in. */
async function touchRun(store: Store, { runId, wanted, started, exists }: Touch, transaction: Transaction) {
  const last_at_ms = Math.max(...wanted.map(({ at_ms }) => at_ms));
  const valve = started ? { valve_id: started.valve_id } : {};
  if (exists) await store.tables.runs.update({ last_at_ms, ...valve }, { where: { id: runId }, transaction });
  else
    await store.tables.runs.create(
      { id: runId, valve_id: null, status: 'open', refusal: null, last_at_ms, ...valve },
      { transaction },
    );
}

/** Freezes the run once the signature and all that it covers are here; else notes what is missing. */
async function conclude(store: Store, runId: string, transaction: Transaction): Promise<string | undefined> {
  const events = await eventsOf(store, runId, transaction);
  const reduced = reduceRun(events);
  const mark = (status: string, refusal: string | null) =>
    store.tables.runs.update({ status, refusal }, { where: { id: runId }, transaction });
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
  const sheet = await fileRun(store, run, transaction);
  await mark('signed', null);
  return sheet.id;
}

export async function eventsOf(store: Store, runId: string, transaction?: Transaction): Promise<RunEvent[]> {
  const rows = await store.tables.events.findAll({
    where: { run_id: runId },
    order: [
      ['lamport', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
    ...(transaction ? { transaction } : {}),
  });
  return rows.map(({ body }) => runEventSchema.parse(JSON.parse(body)));
}

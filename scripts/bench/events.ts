import {
  extendRun,
  reduceRun,
  sealEntries,
  unwrap,
  type Person,
  type RunEvent,
} from '@holvek/core';
import { serve } from '@hono/node-server';
import { mkdtempSync, rmSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { createApp } from '../../packages/server/src/app';
import { COOKIE } from '../../packages/server/src/people/gate';
import { openSession } from '../../packages/server/src/people/sessions';
import { keepPerson } from '../../packages/server/src/routes/people';
import { openStore } from '../../packages/server/src/db/open';
import { bestOf } from './print';
import { benchGauges, benchValve, longRun } from './sample';

/** Entries in a run, as in a whole one that is worked by hand. */
const RUN = 150;
const RUNS = 24;
/** What a phone on line sends at once, and one that has been off line. */
const SIZES = [3, 50];
const CLIENTS = [1, 8];

type Batches = readonly (readonly RunEvent[])[];

/** Batches through HTTP against raw inserts, and reducing a long run step by step against from scratch. */
export async function eventsBench() {
  const folder = mkdtempSync(join(tmpdir(), 'holvek-bench-'));
  const runs = Array.from({ length: RUNS }, (_, i) => longRun(`run-${i}`, RUN));
  const rows: object[] = [];
  for (const size of SIZES) {
    const batches = runs.map((run) => inBatches(run, size));
    const raw = await rawInserts(join(folder, `raw-${size}.sqlite`), batches.flat());
    rows.push({ measure: `batches of ${size} a second, raw sqlite3`, value: raw });
    for (const clients of CLIENTS) {
      const http = await overHttp(join(folder, `http-${size}-${clients}.sqlite`), batches, clients);
      const said = `the same over HTTP, ${clients} client${clients > 1 ? 's' : ''}`;
      rows.push({ measure: said, value: http, ratio: http / raw });
    }
  }
  rows.push(...(await crew(join(folder, 'crew.sqlite'), runs)));
  rmSync(folder, { recursive: true });
  return [...rows, ...(await reducing())];
}

const inBatches = (run: readonly RunEvent[], size: number): Batches =>
  Array.from({ length: Math.ceil(run.length / size) }, (_, i) =>
    run.slice(i * size, (i + 1) * size),
  );

async function reducing() {
  const long = longRun('run-1', 5000);
  const scratch = await bestOf(3, () => reduceRun(long));
  const incremental = await bestOf(2, () => {
    let state = unwrap(reduceRun(long.slice(0, 1)));
    for (const event of long.slice(1)) state = extendRun(state, event) ?? state;
  });
  return [
    { measure: '5 000 events reduced from scratch, once, s', value: scratch },
    { measure: '5 000 events added one by one, s', value: incremental },
    {
      measure: 'one by one against from scratch after each, ratio',
      ratio: incremental / ((scratch * 5001) / 2),
    },
  ];
}

type Send = (method: string, path: string, body: unknown) => Promise<void>;

/** A server on a port of its own, with the valve and the gauges of the runs, for as long as `work` takes. */
async function served<T>(file: string, work: (send: Send) => Promise<T>): Promise<T> {
  const store = await openStore(file);
  const app = createApp(store, { fontFolder: '' });
  const author: Person = { id: 'b', name: 'Bench', short: 'bench', role: 'owner', licences: [] };
  const token = await store.write(async (tables) => {
    await keepPerson(tables, author);
    return openSession(tables, author.id, { device: 'bench', called: '' });
  });
  let port = 0;
  const server = await new Promise<ReturnType<typeof serve>>((ready) => {
    const opened = serve({ fetch: app.fetch, hostname: '127.0.0.1', port: 0 }, (address) => {
      port = address.port;
      ready(opened);
    });
  });
  const send: Send = async (method, path, body) => {
    const answer = await fetch(`http://127.0.0.1:${port}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie: `${COOKIE}${port}=${token}` },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(await answer.text());
    await answer.arrayBuffer();
  };
  await send('PUT', `/valves/${benchValve.id}`, benchValve);
  for (const gauge of benchGauges) await send('PUT', `/gauges/${gauge.id}`, gauge);
  const value = await work(send);
  server.close();
  await store.close();
  return value;
}

const post = (send: Send, events: readonly RunEvent[]) =>
  send('POST', `/runs/${events[0]!.run_id}/events`, { events });

/** Batches a second: every client sends its runs one after the other, and waits for each answer. */
const overHttp = (file: string, runs: readonly Batches[], clients: number): Promise<number> =>
  served(file, async (send) => {
    const waiting = [...runs];
    const client = async () => {
      for (let run = waiting.shift(); run; run = waiting.shift())
        for (const events of run) await post(send, events);
    };
    const seconds = await bestOf(1, () => Promise.all(Array.from({ length: clients }, client)));
    return runs.flat().length / seconds;
  });

const PHONES = 200;
const EVERY_MS = 3000;
const ROUNDS = 5;

/** Phones that each send three entries every three seconds: how long they wait for their answers. */
const crew = (file: string, runs: readonly (readonly RunEvent[])[]) =>
  served(file, async (send) => {
    const waits: number[] = [];
    const phone = async (n: number) => {
      const runId = `phone-${n}`;
      const own = sealEntries(
        runs[0]!.map((event) => ({ ...event, run_id: runId, id: `${runId}-${event.id}` })),
      );
      await sleep((n / PHONES) * EVERY_MS);
      for (let round = 0; round < ROUNDS; round++) {
        const start = performance.now();
        await post(send, own.slice(round * 3, round * 3 + 3));
        waits.push(performance.now() - start);
        await sleep(Math.max(0, EVERY_MS - (performance.now() - start)));
      }
    };
    await Promise.all(Array.from({ length: PHONES }, (_, n) => phone(n)));
    waits.sort((a, b) => a - b);
    const at = (share: number) => waits[Math.floor(share * (waits.length - 1))]! / 1000;
    return [
      { measure: `${PHONES} phones, 3 entries every 3 s: median wait, s`, value: at(0.5) },
      { measure: 'the same, 99 of 100, s', value: at(0.99) },
    ];
  });

async function rawInserts(file: string, batches: Batches): Promise<number> {
  const database = new sqlite3.Database(file);
  const exec = (sql: string) =>
    new Promise<void>((done, failed) =>
      database.exec(sql, (error) => (error ? failed(error) : done())),
    );
  await exec(`PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL;
    CREATE TABLE events (id TEXT PRIMARY KEY, run_id TEXT, type TEXT, lamport INTEGER, at_ms INTEGER, body TEXT)`);
  const insert = database.prepare('INSERT INTO events VALUES (?, ?, ?, ?, ?, ?)');
  const seconds = await bestOf(1, async () => {
    for (const events of batches) {
      await exec('BEGIN');
      for (const e of events)
        await new Promise<void>((done, failed) =>
          insert.run(
            e.id,
            e.run_id,
            e.type,
            e.lamport,
            e.at_ms,
            JSON.stringify(e),
            (error: Error | null) => (error ? failed(error) : done()),
          ),
        );
      await exec('COMMIT');
    }
  });
  insert.finalize();
  database.close();
  return batches.length / seconds;
}

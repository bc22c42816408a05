import { extendRun, reduceRun, unwrap, type RunEvent } from '@holvek/core';
import { serve } from '@hono/node-server';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { createApp } from '../../packages/server/src/app';
import { openStore } from '../../packages/server/src/db/open';
import { bestOf } from './print';
import { benchValve, longRun } from './sample';

const BATCH = 50;
const BATCHES = 60;

/** Batches through HTTP against raw inserts, and reducing a long run step by step against from scratch. */
export async function eventsBench() {
  const folder = mkdtempSync(join(tmpdir(), 'holvek-bench-'));
  const run = longRun('run-0', BATCH * BATCHES);
  const batches = Array.from({ length: BATCHES }, (_, i) => run.slice(i * BATCH, (i + 1) * BATCH));
  const http = await overHttp(join(folder, 'http.sqlite'), batches);
  const raw = await rawInserts(join(folder, 'raw.sqlite'), batches);
  rmSync(folder, { recursive: true });

  const long = longRun('run-1', 5000);
  const scratch = await bestOf(3, () => reduceRun(long));
  const incremental = await bestOf(2, () => {
    let state = unwrap(reduceRun(long.slice(0, 1)));
    for (const event of long.slice(1)) state = extendRun(state, event) ?? state;
  });
  return [
    { measure: `${BATCH}-event batches per second over HTTP`, value: http },
    { measure: 'the same, raw sqlite3, one transaction a batch', value: raw },
    { measure: 'HTTP against raw', ratio: http / raw },
    { measure: '5 000 events reduced from scratch, once, s', value: scratch },
    { measure: '5 000 events added one by one, s', value: incremental },
    {
      measure: 'one by one against from scratch after each, ratio',
      ratio: incremental / ((scratch * 5001) / 2),
    },
  ];
}

async function overHttp(file: string, batches: readonly (readonly RunEvent[])[]): Promise<number> {
  const store = await openStore(file);
  const app = createApp(store, { fontFolder: '' });
  let port = 0;
  const server = await new Promise<ReturnType<typeof serve>>((ready) => {
    const opened = serve({ fetch: app.fetch, hostname: '127.0.0.1', port: 0 }, (address) => {
      port = address.port;
      ready(opened);
    });
  });
  const send = (method: string, path: string, body: unknown) =>
    fetch(`http://127.0.0.1:${port}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await send('PUT', `/valves/${benchValve.id}`, benchValve);
  const seconds = await bestOf(1, async () => {
    for (const events of batches) {
      const answer = await send('POST', '/runs/run-0/events', { events });
      if (!answer.ok) throw new Error(await answer.text());
    }
  });
  server.close();
  await store.close();
  return batches.length / seconds;
}

async function rawInserts(
  file: string,
  batches: readonly (readonly RunEvent[])[],
): Promise<number> {
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

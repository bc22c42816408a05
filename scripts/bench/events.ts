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
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { newRouter } from '../../packages/server/src/http/router';
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
      const bare = await bareHttp(batches, clients);
      const said = `${clients} client${clients > 1 ? 's' : ''}`;
      rows.push(
        { measure: `the same over HTTP, ${said}`, value: http, ratio: http / raw },
        { measure: `read over HTTP and left at that, ${said}`, value: bare, ratio: bare / raw },
      );
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

/** What a phone of the bench does: posts, one after the other, at most one every `every_ms`. */
type Phone = {
  readonly after_ms: number;
  readonly every_ms: number;
  readonly posts: readonly { readonly path: string; readonly body: string }[];
};
type Told = { readonly waits_ms: readonly number[]; readonly seconds: number };
type Ask = { readonly url: string; readonly cookie: string };

/** Phones work in a thread of their own, as real ones do on machines of their own. */
const byPhones = (at: Ask, phones: readonly Phone[]): Promise<Told> =>
  new Promise((done, failed) => {
    const file = new URL('./phones.mjs', import.meta.url);
    const worker = new Worker(file, { workerData: { ...at, phones } });
    worker.once('message', done);
    worker.once('error', failed);
  });

const postOf = (events: readonly RunEvent[]): Phone['posts'][number] => ({
  path: `/api/runs/${events[0]!.run_id}/events`,
  body: JSON.stringify({ events }),
});

/** The runs, dealt out to so many phones that send as fast as they are answered. */
const sendersOf = (runs: readonly Batches[], clients: number): Phone[] =>
  Array.from({ length: clients }, (_, n) => ({
    after_ms: 0,
    every_ms: 0,
    posts: runs.filter((__, i) => i % clients === n).flatMap((run) => run.map(postOf)),
  }));

type Listening = { readonly port: number; readonly close: () => void };

const listen = (fetch: Parameters<typeof serve>[0]['fetch']): Promise<Listening> =>
  new Promise((ready) => {
    const server = serve({ fetch, hostname: '127.0.0.1', port: 0 }, ({ port }) =>
      ready({ port, close: () => server.close() }),
    );
  });

/** A server on a port of its own, with the valve and the gauges of the runs, for as long as `work` takes. */
async function served<T>(file: string, work: (at: Ask) => Promise<T>): Promise<T> {
  const store = await openStore(file);
  const app = createApp(store, { fontFolder: '' });
  const author: Person = { id: 'b', name: 'Bench', short: 'bench', role: 'owner', licences: [] };
  const token = await store.write(async (tables) => {
    await keepPerson(tables, author);
    return openSession(tables, author.id, { device: 'bench', called: '' });
  });
  const { port, close } = await listen(app.fetch);
  const at = { url: `http://127.0.0.1:${port}`, cookie: `${COOKIE}${port}=${token}` };
  const put = async (path: string, body: unknown) => {
    const answer = await fetch(`${at.url}/api${path}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', cookie: at.cookie },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(await answer.text());
  };
  await put(`/valves/${benchValve.id}`, benchValve);
  for (const gauge of benchGauges) await put(`/gauges/${gauge.id}`, gauge);
  const value = await work(at);
  close();
  await store.close();
  return value;
}

/** Batches a second: every phone sends its runs one after the other, and waits for each answer. */
const overHttp = (file: string, runs: readonly Batches[], clients: number): Promise<number> =>
  served(file, async (at) => {
    const { seconds } = await byPhones(at, sendersOf(runs, clients));
    return runs.flat().length / seconds;
  });

/** The same to a server that reads each batch and does nothing with it: what HTTP alone leaves. */
async function bareHttp(runs: readonly Batches[], clients: number): Promise<number> {
  const app = newRouter().post('/api/runs/:id/events', async (c) => {
    const { events } = await c.req.json<{ readonly events: readonly RunEvent[] }>();
    return c.json({ stored: events.map(({ id }) => id) });
  });
  const { port, close } = await listen(app.fetch);
  const at = { url: `http://127.0.0.1:${port}`, cookie: '' };
  const { seconds } = await byPhones(at, sendersOf(runs, clients));
  close();
  return runs.flat().length / seconds;
}

const PHONES = 200;
const EVERY_MS = 3000;
const ROUNDS = 5;

/** Phones that each send three entries every three seconds: how long they wait for their answers. */
const crew = (file: string, [run = []]: readonly (readonly RunEvent[])[]) =>
  served(file, async (at) => {
    const phoneOf = (n: number): Phone => {
      const runId = `phone-${n}`;
      const own = sealEntries(
        run.map((event) => ({ ...event, run_id: runId, id: `${runId}-${event.id}` })),
      );
      const posts = inBatches(own, 3).slice(0, ROUNDS).map(postOf);
      return { after_ms: (n / PHONES) * EVERY_MS, every_ms: EVERY_MS, posts };
    };
    const { waits_ms: told } = await byPhones(
      at,
      Array.from({ length: PHONES }, (_, n) => phoneOf(n)),
    );
    const waits = [...told].sort((a, b) => a - b);
    const waitOf = (share: number) => waits[Math.floor(share * (waits.length - 1))]! / 1000;
    return [
      { measure: `${PHONES} phones, 3 entries every 3 s: median wait, s`, value: waitOf(0.5) },
      { measure: 'the same, 99 of 100, s', value: waitOf(0.99) },
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

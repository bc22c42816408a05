import { sheetSchema, type Ingested, type RunEvent } from '@holvek/core';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { codeOf, testServer, valve, wholeRun, type TestServer } from '../testing/server';
import { QueryTypes } from 'sequelize';

const { events } = wholeRun('run-a');
const post = (server: TestServer, batch: readonly unknown[], run = 'run-a') =>
  server.send('POST', `/runs/${run}/events`, { events: batch });
const runRow = async (server: TestServer, id = 'run-a') =>
  (await (await server.get(`/runs/${id}`)).json()) as {
    run: { status: string; refusal: string | null };
    events: RunEvent[];
  };
const sheets = async (server: TestServer) =>
  sheetSchema.array().parse(await (await server.get(`/valves/${valve.id}/sheets`)).json());

describe('the log of a run', () => {
  let server: TestServer;
  beforeEach(async () => {
    server = await testServer();
  });
  afterEach(() => server.store.close());

  test('a whole run in one batch becomes a sheet', async () => {
    const answer = await post(server, events);
    expect(answer.status).toBe(200);
    const body = (await answer.json()) as Ingested;
    expect(body.stored).toHaveLength(events.length);
    const [sheet] = await sheets(server);
    expect(sheet?.id).toBe(body.sheetId);
    expect((await runRow(server)).run.status).toBe('signed');
  });

  test('the same batch twice is one', async () => {
    await post(server, events.slice(0, 10));
    const again = (await (await post(server, events.slice(0, 10))).json()) as Ingested;
    expect(again).toMatchObject({ refused: [] });
    expect(again.stored).toHaveLength(10);
    expect((await runRow(server)).events).toHaveLength(10);
  });

  test('one id twice in a batch is one event', async () => {
    await post(server, [events[0], events[1], events[1]]);
    expect((await runRow(server)).events).toHaveLength(2);
  });

  test('batches out of order wait for what the signature covers', async () => {
    const middle = Math.floor(events.length / 2);
    await post(server, events.slice(middle));
    expect((await runRow(server)).run).toMatchObject({
      status: 'signing',
      refusal: 'run.not_started',
    });
    expect(await sheets(server)).toHaveLength(0);
    await post(server, events.slice(0, middle - 1));
    expect((await runRow(server)).run).toMatchObject({
      status: 'signing',
      refusal: 'run.events_missing',
    });
    const last = (await (await post(server, [events[middle - 1]])).json()) as Ingested;
    expect(last.sheetId).toBeDefined();
    expect(await sheets(server)).toHaveLength(1);
  });

  test('half a batch after the other half gives the same sheet as the whole', async () => {
    for (let i = 0; i < events.length; i += 7) await post(server, events.slice(i, i + 7));
    const other = await testServer();
    await post(other, events);
    expect((await sheets(server))[0]!.hash).toBe((await sheets(other))[0]!.hash);
    await other.store.close();
  });

  test('nothing joins a signed run, and what was refused is named', async () => {
    await post(server, events);
    const late = { ...events[5], id: 'late-1', lamport: 900 };
    const answer = await post(server, [events[3], late]);
    expect(answer.status).toBe(409);
    const { error } = (await answer.json()) as { error: { code: string; detail: Ingested } };
    expect(error.code).toBe('run.already_signed');
    expect(error.detail.stored).toEqual([events[3]!.id]);
    expect(error.detail.refused).toEqual([{ id: 'late-1', code: 'run.already_signed' }]);
  });

  test('a signature over an open end makes no sheet', async () => {
    const open = wholeRun('run-a', 1, 'put_back').events;
    const signed = { ...events.at(-1)!, covers: open.length, lamport: 9999 };
    await post(server, [...open, signed]);
    expect((await runRow(server)).run).toEqual(
      expect.objectContaining({ status: 'signing', refusal: 'run.open_ends_left' }),
    );
    expect(await sheets(server)).toHaveLength(0);
  });

  test('a run that is given up is no longer open', async () => {
    const given = {
      ...events[1],
      id: 'give-up',
      type: 'abandoned',
      reason: 'burst main',
      lamport: 99,
    };
    await post(server, [events[0], given]);
    expect((await runRow(server)).run.status).toBe('abandoned');
    expect(await (await server.get('/runs')).json()).toEqual([]);
  });

  test('events of another run, or of no valve in the register, are refused', async () => {
    const alien = await post(server, [{ ...events[1], run_id: 'run-b' }]);
    expect(alien.status).toBe(409);
    const lost = { ...events[0], valve_id: 'nowhere' };
    expect(await codeOf(await post(server, [lost]))).toBe('valve.not_found');
    expect((await server.get('/runs/run-a')).status).toBe(404);
  });

  test.each([
    ['no batch', '{"events":[]}', 400],
    ['broken JSON', '{"events":[', 400],
    ['a list', '[1,2]', 400],
    ['wrong types', JSON.stringify({ events: [{ ...events[0], lamport: 'first' }] }), 400],
    [
      'an over-long note',
      JSON.stringify({ events: [{ ...events[1], type: 'note', text: 'x'.repeat(5000) }] }),
      400,
    ],
    ['too many', JSON.stringify({ events: Array.from({ length: 501 }, () => events[1]) }), 400],
    ['too large', `{"events":"${'x'.repeat(5_000_000)}"}`, 413],
  ])(
    '%s is answered with %i and a code',
    async (_, body, status) => {
      const answer = await server.send('POST', '/runs/run-a/events', body);
      expect(answer.status).toBe(status);
      expect(await codeOf(answer)).toMatch(/^request\./);
      expect(server.faults).toEqual([]);
    },
    20_000,
  );

  test('an id that another run has used, or that had other words, is refused and not dropped', async () => {
    await post(server, events.slice(0, 3));
    const other = { ...events[0]!, run_id: 'run-b' };
    const elsewhere = await post(server, [other], 'run-b');
    expect(elsewhere.status).toBe(409);
    expect(((await elsewhere.json()) as { error: { detail: Ingested } }).error.detail).toEqual({
      stored: [],
      refused: [{ id: other.id, code: 'event.id_taken' }],
    });
    expect((await server.get('/runs/run-b')).status).toBe(404);
    const reworded = await post(server, [events[1], { ...events[2], author: 'Somebody else' }]);
    expect(((await reworded.json()) as { error: { detail: Ingested } }).error.detail).toEqual({
      stored: [events[1]!.id],
      refused: [{ id: events[2]!.id, code: 'event.id_taken' }],
    });
    expect((await runRow(server)).events[2]!.author).toBe(events[2]!.author);
  });

  test.each([
    ['a version of the steps that comes later', { procedure_version: 99 }, 'run.unknown_procedure'],
    ['a way of setting that is not known', { school: 'by_ear' }, 'run.unknown_school'],
  ])('%s is refused with its code, and nothing breaks', async (_, over, code) => {
    const answer = await post(server, [{ ...events[0], ...over }, events[1]]);
    expect(answer.status).toBe(409);
    expect(await codeOf(answer)).toBe(code);
    expect((await server.get('/runs/run-a')).status).toBe(404);
    expect(server.faults).toEqual([]);
  });

  test.each([
    ['an adjuster called constructor', { type: 'turned', adjuster: 'constructor', turns: 1 }],
    ['a step called toString', { type: 'step_done', step_id: 'toString' }],
    ['an answer called __proto__', { type: 'observed', key: '__proto__', value: 'yes' }],
    ['an id with a NUL in it', { type: 'step_done', step_id: 'as_\u0000found' }],
    ['an id with a line break', { type: 'open_end_closed', open_end: 'cap\noff' }],
  ])('%s is refused at the door', async (_, over) => {
    const { id, run_id, author, at_ms, lamport } = events[1]!;
    const bad = { id, run_id, author, at_ms, lamport, ...over };
    const answer = await post(server, [events[0], bad]);
    expect(answer.status).toBe(400);
    expect(await codeOf(answer)).toBe('request.invalid');
    expect(server.faults).toEqual([]);
  });

  test('many phones at once lose nothing', async () => {
    await post(server, [events[0]]);
    await Promise.all(events.slice(1, 21).map((event) => post(server, [event])));
    expect((await runRow(server)).events).toHaveLength(21);
  });
});

describe('a real file', () => {
  test('keeps runs and sheets over a restart, and lets nobody change them', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'holvek-'));
    const file = join(folder, 'deep/holvek.sqlite');
    const first = await testServer(file);
    await post(first, events);
    const [before] = await sheets(first);
    await first.store.close();
    const second = await testServer(file);
    expect(await sheets(second)).toEqual([before]);
    for (const table of ['events', 'sheets'])
      for (const sql of [
        `UPDATE ${table} SET body = '{}'`,
        `DELETE FROM ${table}`,
        `INSERT OR REPLACE INTO ${table} SELECT * FROM ${table} LIMIT 1`,
      ])
        await expect(second.store.sequelize.query(sql)).rejects.toMatchObject({
          parent: { message: expect.stringContaining('append-only') },
        });
    const pragma = (name: string) =>
      second.store.sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT });
    expect(await pragma('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await pragma('foreign_keys')).toEqual([{ foreign_keys: 1 }]);
    expect(await pragma('synchronous')).toEqual([{ synchronous: 2 }]);
    await second.store.close();
    rmSync(folder, { recursive: true });
  });
});

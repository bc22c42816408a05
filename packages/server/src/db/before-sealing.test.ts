import {
  checkWith,
  evidenceFileSchema,
  reduceRun,
  sealedEntry,
  sheetFileSchema,
  unwrap,
  verifyEvidence,
  verifySheet,
  type Ingested,
  type Sheet,
} from '@holvek/core';
import { copyFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eventsOf } from '../ingest/rows';
import { logOldSheets } from '../sheet/log';
import { testServer, valve, type TestServer } from '../testing/server';

/** A database and a sheet as they were before entries were sealed and filed in a log: kept for ever. */
const kept = join(__dirname, '../testing/before-sealing');
const check = checkWith(globalThis.crypto.subtle);

let folder: string;
let server: TestServer;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'holvek-'));
  copyFileSync(join(kept, 'holvek.sqlite'), join(folder, 'holvek.sqlite'));
  server = await testServer(join(folder, 'holvek.sqlite'));
});
afterAll(async () => {
  await server.store.close();
  rmSync(folder, { recursive: true });
});

describe('records of before', () => {
  test('are read as they were, and stand in the log from the first start on', async () => {
    expect(await logOldSheets(server.store)).toBe(1);
    expect(await logOldSheets(server.store)).toBe(0);
    const [sheet, ...others] = (await (
      await server.get(`/valves/${valve.id}/sheets`)
    ).json()) as Sheet[];
    expect(others).toEqual([]);
    const exported = sheetFileSchema.parse(
      JSON.parse(readFileSync(join(kept, 'sheet.json'), 'utf8')),
    );
    expect(sheet).toEqual(exported.sheet);
    expect((await server.get(`/sheets/${sheet!.id}.pdf`)).status).toBe(200);
    expect((await (await server.get('/practice')).json()) as Sheet[]).toHaveLength(1);
  });

  test('are verified by their words and their place, and it is said that their entries are not', async () => {
    const file = evidenceFileSchema.parse(
      await (await server.get(`/valves/${valve.id}/evidence.json`)).json(),
    );
    const { faults, notes, lines } = await verifyEvidence(file, { check });
    expect([faults, lines]).toEqual([[], 1]);
    expect(notes.map(({ code }) => code)).toEqual(['sheet.without_root']);
    const { sheet } = sheetFileSchema.parse(
      JSON.parse(readFileSync(join(kept, 'sheet.json'), 'utf8')),
    );
    const alone = await verifySheet({ sheet }, { check });
    expect(alone.faults.map(({ code }) => code)).toEqual(['sheet.not_in_log']);
  });

  test('a run that was begun before goes on, sealed from here on', async () => {
    const known = await eventsOf(server.store.tables, 'run-open');
    const note = unwrap(
      sealedEntry(
        { type: 'note', text: 'carried on' },
        {
          id: 'note-1',
          runId: 'run-open',
          author: 'Ines Varga',
          device: 'd',
          atMs: known[0]!.at_ms,
        },
        known,
      ),
    );
    const answer = await server.send('POST', '/runs/run-open/events', { events: [note] });
    expect(answer.status).toBe(200);
    expect(((await answer.json()) as Ingested).stored).toEqual(['note-1']);
    const run = unwrap(reduceRun(await eventsOf(server.store.tables, 'run-open')));
    expect(run.notes.map(({ text }) => text)).toEqual(['carried on']);
    // An entry that an old phone still had in its pocket is not lost either.
    const { hash: _, seen: _seen, device: _device, ...plain } = note;
    const late = { ...plain, id: 'note-2', text: 'from an old phone', lamport: 900 };
    const taken = await server.send('POST', '/runs/run-open/events', { events: [late] });
    expect(taken.status).toBe(200);
  });
});

import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { Snapshot } from '../backup/snapshot';
import { takeBackup } from '../backup/take';
import { now, testServer, valve, wholeRun, type TestServer } from './server';

const NAME = 'holvek.sqlite';

export type TestHouse = {
  readonly folder: string;
  readonly file: string;
  readonly backups: string;
  server: TestServer;
  readonly take: (at?: number) => Promise<string>;
  readonly end: () => Promise<void>;
};

let template: Promise<string> | undefined;

/** A house with a filed sheet and a photo, made once: each test has a copy. */
async function templateHouse(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'holvek-template-'));
  const server = await testServer(join(folder, NAME));
  await server.send('POST', '/runs/run-1/events', { events: wholeRun('run-1').events });
  const { name } = await server.store.pictures.keep(
    await sharp({ create: { width: 30, height: 20, channels: 3, background: '#888' } })
      .png()
      .toBuffer(),
  );
  await server.send('PUT', '/photos/ph', {
    id: 'ph',
    valve_id: valve.id,
    shows: 'plate',
    picture: name,
    taken_at_ms: now,
    by: 'Tomas Brandt',
  });
  await server.store.close();
  return folder;
}

/** A house in files of its own, with a filed sheet and a photo. */
export async function testHouse(): Promise<TestHouse> {
  template ??= templateHouse();
  const folder = mkdtempSync(join(tmpdir(), 'holvek-house-'));
  cpSync(await template, folder, { recursive: true });
  const file = join(folder, NAME);
  const backups = join(folder, 'backups');
  const house: TestHouse = {
    folder,
    file,
    backups,
    server: await testServer(file),
    take: (at = now) => takeBackup({ file, folder: backups, why: 'by_hand', now: at }),
    end: async () => {
      await house.server.store.close();
      rmSync(folder, { recursive: true });
    },
  };
  return house;
}

/** Does to a database what nobody should. */
export async function meddle(file: string, ...statements: readonly string[]): Promise<void> {
  const snapshot = await Snapshot.open(file);
  for (const statement of statements) await snapshot.all(statement);
  await snapshot.close();
}

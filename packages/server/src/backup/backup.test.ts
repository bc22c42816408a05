import { backupStateSchema, sheetSchema } from '@holvek/core';
import {
  appendFileSync,
  cpSync,
  existsSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { createApp } from '../app';
import { holdAlone } from '../db/one-server';
import { openStore } from '../db/open';
import { meddle, testHouse, type TestHouse } from '../testing/house';
import { cookieOf, codeOf, crew, now, testServer, valve, wholeRun } from '../testing/server';
import { backupBeforeMigration } from './before-migration';
import { check, manifestOf } from './check';
import { BackupKeeper, listed } from './keeper';
import { NotRestored, restoreBackup } from './restore';
import { takeBackup } from './take';

let house: TestHouse;
let { folder, file, backups, server } = {} as TestHouse;

beforeEach(async () => {
  house = await testHouse();
  ({ folder, file, backups, server } = house);
});
afterEach(() => house.end());

const take = () => house.take();
const sheets = async () =>
  sheetSchema.array().parse(await (await house.server.get('/sheets')).json());

describe('a backup', () => {
  test('holds database and pictures as they were at one moment, for its owner alone; the key is apart', async () => {
    const path = join(backups, await take());
    const { counts, head, migrations, files } = await manifestOf(path);
    expect(counts).toMatchObject({ valves: 1, sheets: 1, photos: 1 });
    expect(counts.events).toBeGreaterThan(10);
    expect([head.seq, migrations.at(-1)]).toEqual([1, '0017-client-links']);
    expect(files).toHaveLength(3);
    expect(statSync(path).mode & 0o077).toBe(0);
    expect(statSync(join(path, 'holvek.sqlite')).mode & 0o077).toBe(0);
    expect(await check(path)).toEqual([]);
    expect(readdirSync(path, { recursive: true }).join()).not.toMatch(/key/u);
    const [key] = readdirSync(join(backups, 'keys'));
    expect(statSync(join(backups, 'keys', key!)).mode & 0o077).toBe(0);
    expect(readFileSync(join(backups, 'keys', key!))).toEqual(
      readFileSync(join(folder, 'keys/server-key.json')),
    );
  });

  test.each<[string, (path: string) => void | Promise<void>, RegExp]>([
    [
      'a letter of the database',
      (path) => appendFileSync(join(path, 'holvek.sqlite'), 'x'),
      /holvek\.sqlite was changed/u,
    ],
    [
      'a picture taken out',
      (path) => rmSync(join(path, 'pictures'), { recursive: true }),
      /pictures\/.* is missing/u,
    ],
    [
      'what it says of itself',
      (path) => writeFileSync(join(path, 'backup.json'), '{}'),
      /is no backup/u,
    ],
  ])('that was changed does not hold: %s', async (_, change, said) => {
    const path = join(backups, await take());
    await change(path);
    expect((await check(path)).join('; ')).toMatch(said);
    await expect(restoreBackup(path, join(folder, 'other.sqlite'), now)).rejects.toThrow(
      NotRestored,
    );
    expect(existsSync(join(folder, 'other.sqlite'))).toBe(false);
  });

  test.each<[string, string[], RegExp]>([
    [
      'a sheet that was altered',
      ["UPDATE sheets SET body = replace(body, 'Varga', 'Vargo')"],
      /is not what was filed/u,
    ],
    ['a sheet that is not in the log', ['DELETE FROM log'], /is not what was filed/u],
    [
      'a line of the log that was altered',
      ['UPDATE log SET at_ms = at_ms + 1'],
      /log\.line_changed at line 1/u,
    ],
  ])('of a house whose record does not hold is not kept: %s', async (_, statements, said) => {
    const triggers = ['sheets', 'log'].flatMap((table) =>
      ['no_update', 'no_delete'].map((end) => `DROP TRIGGER IF EXISTS ${table}_${end}`),
    );
    await meddle(file, ...triggers, ...statements);
    await expect(take()).rejects.toThrow(said);
    expect(await listed(backups)).toEqual([]);
    expect(readdirSync(backups)).toEqual([]);
  });

  test('of a house that has lost a picture is not kept', async () => {
    rmSync(server.store.pictures.folder, { recursive: true });
    await expect(take()).rejects.toThrow(/picture of photo ph is missing/u);
  });
});

describe('restoring', () => {
  test('brings a house back as it was, and moves aside what stood there', async () => {
    const before = await sheets();
    const path = join(backups, await take());
    await server.send('POST', '/runs/run-2/events', { events: wholeRun('run-2', 2).events });
    expect(await sheets()).toHaveLength(2);
    await server.store.close();
    const done = await restoreBackup(path, file, now);
    expect(done).toMatchObject({ sheets: 1, atMs: now, hasKey: true });
    const old = await openStore(done.aside!);
    expect(await old.tables.sheets.count()).toBe(2);
    await old.close();
    house.server = await testServer(file);
    expect(await sheets()).toEqual(before);
    expect((await house.server.get(`/valves/${valve.id}/verify`)).status).toBe(200);
  });

  test('into an empty place brings the pictures, and the key that is kept beside the backups', async () => {
    const path = join(backups, await take());
    const other = join(folder, 'elsewhere', 'holvek.sqlite');
    expect(await restoreBackup(path, other, now)).toMatchObject({ aside: undefined, hasKey: true });
    const store = await openStore(other);
    expect(store.signer.name).toBe(server.store.signer.name);
    const photo = (await store.tables.photos.findByPk('ph'))!;
    expect(store.pictures.has((JSON.parse(photo.body) as { picture: string }).picture)).toBe(true);
    await store.close();
    // Copied away without the keys, the house signs with a new one, and it is said.
    const away = join(folder, 'away');
    cpSync(path, join(away, 'backup'), { recursive: true });
    const third = join(folder, 'third', 'holvek.sqlite');
    expect((await restoreBackup(join(away, 'backup'), third, now)).hasKey).toBe(false);
  });

  test('is refused while the house is served, and where the backup is newer', async () => {
    const path = join(backups, await take());
    const letGo = await holdAlone(file);
    await expect(restoreBackup(path, file, now)).rejects.toThrow(/already served/u);
    await letGo();
    const manifest = readFileSync(join(path, 'backup.json'), 'utf8');
    writeFileSync(join(path, 'backup.json'), manifest.replace('0017-client-links', '0999-later'));
    await expect(restoreBackup(path, file, now)).rejects.toThrow(
      /newer Holvek \(0999-later\).*Nothing was changed/u,
    );
    expect(await sheets()).toHaveLength(1);
  });
});

describe('the keeper of backups', () => {
  const HOUR = 3_600_000;
  let clock = now;
  const keeper = (over: Partial<ConstructorParameters<typeof BackupKeeper>[0]> = {}) =>
    new BackupKeeper({ file, folder: backups, now: () => clock, ...over });
  beforeEach(() => {
    clock = now;
  });

  test('makes one a day, and none between', async () => {
    const own = keeper();
    await own.takeIfDue();
    clock += 23.9 * HOUR;
    await own.takeIfDue();
    expect(await listed(backups)).toHaveLength(1);
    clock += 0.2 * HOUR;
    await own.takeIfDue();
    expect((await listed(backups)).map(({ at_ms: at }) => at)).toEqual([clock, now]);
  });

  test('two at once are one; those that the rule no longer keeps go, and nothing else does', async () => {
    const own = keeper();
    await Promise.all([own.take('daily'), own.take('daily')]);
    expect(await listed(backups)).toHaveLength(1);
    writeFileSync(join(backups, 'note.txt'), 'mine');
    clock += HOUR;
    await own.take('daily');
    expect((await listed(backups)).map(({ at_ms: at }) => at)).toEqual([clock]);
    expect(readdirSync(backups).sort()).toEqual(expect.arrayContaining(['keys', 'note.txt']));
  });

  test('says what came to nothing until one is good again', async () => {
    let isFull = true;
    const heard: unknown[] = [];
    const own = keeper({
      log: (error) => heard.push(error),
      take: (job) => (isFull ? Promise.reject(new Error('disk full')) : takeBackup(job)),
    });
    await own.take('daily');
    expect(await own.state()).toEqual({
      backups: [],
      is_on: true,
      failed: { at_ms: clock, why: 'disk full' },
    });
    expect(heard).toHaveLength(1);
    isFull = false;
    await own.take('daily');
    expect((await own.state()).failed).toBeNull();
    await own.close();
  });

  test('is asked by the owner, seen by all, and off where there is none', async () => {
    const app = createApp(server.store, { fontFolder: '', keeper: keeper() });
    const ask = async (method: string, cookie: string) =>
      app.request('/api/backups', { method, headers: { cookie } });
    const technician = await cookieOf(server.store, crew.technician);
    expect((await ask('POST', technician)).status).toBe(403);
    const made = backupStateSchema.parse(await (await ask('POST', server.cookie)).json());
    expect(made.backups.map(({ why, sheets: n }) => [why, n])).toEqual([['by_hand', 1]]);
    const seen = backupStateSchema.parse(await (await ask('GET', technician)).json());
    expect(seen).toEqual(made);
    expect(await codeOf(await server.send('POST', '/backups'))).toBe('backup.off');
    expect(await (await server.get('/backups')).json()).toMatchObject({ is_on: false });
  });

  test('one is made before the shape changes, and none where it does not', async () => {
    expect(await backupBeforeMigration(file, backups, now)).toBeUndefined();
    await meddle(
      file,
      'DROP TABLE photos',
      'DROP TABLE countersigns',
      'DROP TABLE feeds',
      'DROP TABLE client_links',
      'DROP TABLE notices',
      `DELETE FROM "SequelizeMeta" WHERE name >= '0013'`,
    );
    const name = await backupBeforeMigration(file, backups, now);
    expect(name).toMatch(/-before_migration$/u);
    const { migrations, counts } = await manifestOf(join(backups, name!));
    expect([migrations.at(-1), counts.photos]).toEqual(['0012-seasons', 0]);
    expect(await backupBeforeMigration(join(folder, 'new.sqlite'), backups, now)).toBeUndefined();
  });
});

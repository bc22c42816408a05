import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { createApp } from '../app';
import { demoRounds } from '../seed/systems';
import { cookieOf, crew } from '../testing/server';
import { migrations } from './migrations';
import { NewerDatabase, openStore, type Store } from './open';

const folder = mkdtempSync(join(tmpdir(), 'holvek-store-'));
afterAll(() => rmSync(folder, { recursive: true }));

const gauge = (id: string) => ({ id, tag: id.toUpperCase(), body: '{}' });

describe.each([
  ['in memory', ':memory:'],
  ['in a file', join(folder, 'store.sqlite')],
])('a store %s', (_, file) => {
  let store: Store;
  beforeAll(async () => {
    store = await openStore(file);
  });
  afterAll(() => store.close());

  test('keeps all of a write', async () => {
    await store.write(async (tables) => {
      await tables.gauges.create(gauge('g-1'));
      await tables.gauges.create(gauge('g-2'));
    });
    expect(await store.tables.gauges.count()).toBe(2);
  });

  test('keeps nothing of a write that fails half-way, and says why', async () => {
    const failing = store.write(async (tables) => {
      await tables.gauges.create(gauge('g-3'));
      throw new Error('the pen broke');
    });
    await expect(failing).rejects.toThrow('the pen broke');
    expect(await store.tables.gauges.findByPk('g-3')).toBeNull();
    expect(await store.tables.gauges.count()).toBe(2);
  });

  test('goes on writing after one that failed, in the order that was asked', async () => {
    const order: number[] = [];
    const write = (n: number, fails: boolean) =>
      store
        .write(async (tables) => {
          await tables.gauges.create(gauge(`h-${n}`));
          order.push(n);
          if (fails) throw new Error('no');
        })
        .catch(() => undefined);
    await Promise.all([write(1, true), write(2, false), write(3, true), write(4, false)]);
    expect(order).toEqual([1, 2, 3, 4]);
    expect(await store.tables.gauges.findByPk('h-1')).toBeNull();
    expect(await store.tables.gauges.findByPk('h-3')).toBeNull();
    expect(await store.tables.gauges.count()).toBe(4);
  });

  test('says nothing of a write before those that it goes together with are on the disk', async () => {
    const before = await store.tables.gauges.count();
    const told: string[] = [];
    const write = (id: string) =>
      store.write((tables) => tables.gauges.create(gauge(id))).then(() => told.push(id));
    const [, , seen] = await Promise.all([
      write('t-1'),
      write('t-2'),
      store.write(async (tables) => [await tables.gauges.count(), ...told]),
    ]);
    expect(seen).toEqual([before + 2]);
    expect(told).toEqual(['t-1', 't-2']);
    expect(await store.tables.gauges.count()).toBe(before + 2);
  });

  test('waits for the disk before it says that a write is kept', async () => {
    const [rows] = await store.sequelize.query('PRAGMA synchronous');
    expect(rows).toEqual([{ synchronous: 2 }]);
  });
});

describe('a file that is opened', () => {
  const tablesOf = async ({ sequelize }: Store) =>
    (
      await sequelize.query<{ name: string }>(
        "SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name",
        { type: QueryTypes.SELECT },
      )
    ).map(({ name }) => name);

  test('is for its owner alone', async () => {
    const file = join(folder, 'own/store.sqlite');
    await (await openStore(file)).close();
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(statSync(join(folder, 'own')).mode & 0o777).toBe(0o700);
  });

  test('has a migration whole or not at all, and goes on where it was cut off', async () => {
    const file = join(folder, 'cut.sqlite');
    const whole = await openStore(file);
    const wanted = await tablesOf(whole);
    // As a start leaves it that was killed before the second migration: a stranger stands in its way.
    for (const table of ['events', 'sheets'])
      await whole.sequelize.query(`DROP TRIGGER ${table}_no_replace`);
    const later = [
      'systems practice_sheets refused_entries history log keys seasons lessons',
      'summaries repairs photos notices countersigns feeds client_links secrets sessions people',
    ].flatMap((names) => names.split(' '));
    for (const table of later) await whole.sequelize.query(`DROP TABLE ${table}`);
    await whole.sequelize.query(`DELETE FROM "SequelizeMeta" WHERE name > '0001-first-tables'`);
    await whole.sequelize.query('CREATE TABLE practice_sheets (id TEXT)');
    await whole.close();
    await expect(openStore(file)).rejects.toThrow(/practice_sheets/);
    const { Sequelize } = await import('sequelize');
    const plain = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
    const [lines] = await plain.query('SELECT name FROM "SequelizeMeta" ORDER BY name');
    expect(lines).toEqual([{ name: '0001-first-tables' }, { name: '0002-systems' }]);
    await plain.query('DROP TABLE practice_sheets');
    await plain.close();
    const mended = await openStore(file);
    expect(await tablesOf(mended)).toEqual(wanted);
    await mended.close();
  });

  test('is refused with words when a newer version has made it', async () => {
    const file = join(folder, 'newer.sqlite');
    const store = await openStore(file);
    await store.sequelize.query(`INSERT INTO "SequelizeMeta" (name) VALUES ('9999-from-tomorrow')`);
    await store.close();
    await expect(openStore(file)).rejects.toThrow(NewerDatabase);
    await expect(openStore(file)).rejects.toThrow(/9999-from-tomorrow.*Nothing was changed/u);
  });

  test('has every migration in its ledger once', async () => {
    const store = await openStore(join(folder, 'ledger.sqlite'));
    const [lines] = await store.sequelize.query('SELECT name FROM "SequelizeMeta" ORDER BY name');
    expect(lines).toEqual(migrations.map(({ name }) => ({ name })));
    await store.close();
  });
});

describe('a full disk', () => {
  test('is said as such, keeps what was there, and is forgotten when there is room again', async () => {
    const own = await openStore(':memory:');
    const faults: unknown[] = [];
    const app = createApp(own, { fontFolder: '', log: (error) => faults.push(error) });
    const cookie = await cookieOf(own, crew.owner);
    const put = async (gauge: object) =>
      app.request('/api/rounds/r', {
        method: 'PUT',
        headers: { 'content-type': 'application/json', cookie },
        body: JSON.stringify(gauge),
      });
    const round = (note: string) => ({
      ...demoRounds('2026-11-24')[0]!,
      id: 'r',
      name: note.slice(0, 60),
      valve_ids: Array.from({ length: 100 }, (_, i) => `${note.slice(0, 50)}-${i}`),
    });
    const health = async () => (await (await app.request('/api/health')).json()) as object;
    expect((await put(round('before'))).status).toBe(200);
    const [[{ page_count: pages }]] = (await own.sequelize.query('PRAGMA page_count')) as [
      [{ page_count: number }],
      unknown,
    ];
    await own.sequelize.query(`PRAGMA max_page_count = ${pages}`);
    const answer = await put(round('x'.repeat(2000)));
    expect(answer.status).toBe(507);
    expect(await answer.json()).toEqual({ error: { code: 'storage.full' } });
    expect(String(faults[0])).toContain('full');
    expect(await health()).toEqual({ ok: false, storage: 'full' });
    expect(await own.tables.history.count({ where: { kind: 'rounds' } })).toBe(1);
    await own.sequelize.query('PRAGMA max_page_count = 1000000');
    expect((await put(round('after'))).status).toBe(200);
    expect(await health()).toEqual({ ok: true, storage: 'room' });
    await own.close();
  });
});

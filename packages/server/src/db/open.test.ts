import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStore, type Store } from './open';

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

  test('waits for the disk before it says that a write is kept', async () => {
    const [rows] = await store.sequelize.query('PRAGMA synchronous');
    expect(rows).toEqual([{ synchronous: 2 }]);
  });
});

import { chmodSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { openStore } from '../db/open';
import { meddle, testHouse, type TestHouse } from '../testing/house';
import { now } from '../testing/server';
import { examine, nodeFinding } from './doctor';

let house: TestHouse;
beforeEach(async () => {
  house = await testHouse();
});
afterEach(() => house.end());

describe('the doctor', () => {
  const ills = async (at = now) => {
    const findings = await examine({ ...house, now: Math.max(at, Date.now()) + (at - now) });
    return findings.filter(({ isWell }) => !isWell).map(({ what, say }) => `${what}: ${say}`);
  };

  test('finds nothing in a house that is well', async () => {
    await house.take(Date.now());
    expect(await ills()).toEqual([]);
  });

  test.each<[string, () => void | Promise<void>, RegExp]>([
    ['no backup', () => undefined, /backups: none/u],
    [
      'an old one',
      async () => void (await house.take(Date.now() - 51 * 3_600_000)),
      /backups: the last was made 51 h ago/u,
    ],
    [
      'others may read',
      async () => {
        await house.take(Date.now());
        chmodSync(house.file, 0o644);
      },
      /permissions: .*644: others can read it/u,
    ],
    [
      'no key',
      async () => {
        await house.take(Date.now());
        rmSync(join(house.folder, 'keys'), { recursive: true });
      },
      /key: .* is missing/u,
    ],
    [
      'another key',
      async () => {
        await house.take(Date.now());
        rmSync(join(house.folder, 'keys'), { recursive: true });
        await (await openStore(join(house.folder, 'new.sqlite'))).close();
      },
      /key: another key signed last/u,
    ],
    [
      'a newer database',
      async () => {
        await house.take(Date.now());
        await meddle(house.file, `INSERT INTO "SequelizeMeta" (name) VALUES ('0999-later')`);
      },
      /version: the database is newer: 0999-later/u,
    ],
  ])('finds %s, alone', async (_, harm, said) => {
    await harm();
    const found = await ills();
    expect(found).toHaveLength(1);
    expect(found[0]).toMatch(said);
  });

  test('finds a clock that stands behind the record, and a file that is not there', async () => {
    const findings = await examine({ ...house, now: Date.now() - 3_600_000 });
    expect(findings.find(({ what }) => what === 'clock')?.isWell).toBe(false);
    const nowhere = await examine({ ...house, file: join(house.folder, 'none.sqlite'), now });
    expect(nowhere.at(-1)).toMatchObject({ what: 'database', isWell: false });
  });

  test('wants a Node of 20.19', () => {
    expect(['18.20.0', '20.18.9', '20.19.0', '22.1.0'].map((v) => nodeFinding(v).isWell)).toEqual([
      false,
      false,
      true,
      true,
    ]);
  });
});

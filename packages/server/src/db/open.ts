import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize, type Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { Umzug, SequelizeStorage } from 'umzug';
import { migrations } from './migrations';
import { defineTables, type Tables } from './tables';

export type Store = {
  readonly sequelize: Sequelize;
  readonly tables: Tables;
  /** One writer at a time, in one transaction: SQLite has one, and waiting here beats being refused there. */
  readonly write: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>;
  readonly close: () => Promise<void>;
};

/** WAL keeps readers free while one writes; FULL keeps a signed sheet through a power cut. */
const pragmas = `PRAGMA journal_mode = WAL; PRAGMA foreign_keys = ON; PRAGMA busy_timeout = 5000; PRAGMA synchronous = FULL;`;

/** Opens the database file (or ':memory:'), with every migration applied. */
export async function openStore(file: string): Promise<Store> {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: sqlite3,
    storage: file,
    logging: false,
    retry: { max: 1 },
  });
  sequelize.addHook('afterConnect', (connection: unknown) => applyPragmas(connection as sqlite3.Database));
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () => up({ context: sequelize.getQueryInterface() }),
    })),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  await umzug.up();
  let last: Promise<unknown> = Promise.resolve();
  return {
    sequelize,
    tables: defineTables(sequelize),
    write: (work) => {
      const next = last.then(() => sequelize.transaction(work));
      last = next.catch(() => undefined);
      return next;
    },
    close: () => last.then(() => sequelize.close()),
  };
}

const applyPragmas = (database: sqlite3.Database) =>
  new Promise<void>((resolve, reject) =>
    database.exec(pragmas, (error) => (error ? reject(error) : resolve())),
  );

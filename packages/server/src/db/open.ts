import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { Umzug, SequelizeStorage } from 'umzug';
import { migrations } from './migrations';
import { defineTables, type Tables } from './tables';

export type Store = {
  /** For reading: its connection never stands inside a write. */
  readonly sequelize: Sequelize;
  readonly tables: Tables;
  /** One writer at a time, in one transaction on a connection of its own: all of it or nothing. */
  readonly write: <T>(work: (tables: Tables) => Promise<T>) => Promise<T>;
  readonly close: () => Promise<void>;
};

/** WAL keeps readers free while one writes; FULL keeps a signed sheet through a power cut. */
const pragmas = [
  'busy_timeout = 5000',
  'journal_mode = WAL',
  'foreign_keys = ON',
  'synchronous = FULL',
];

/** Opens the database file (or ':memory:'), with every migration applied. */
export async function openStore(file: string): Promise<Store> {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const sequelize = await connect(file);
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () => up({ context: sequelize.getQueryInterface() }),
    })),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  await umzug.up();
  // A database in memory has one connection; a file has a second one that only writes.
  const writer = file === ':memory:' ? sequelize : await connect(file);
  const writing = defineTables(writer);
  let last: Promise<unknown> = Promise.resolve();
  return {
    sequelize,
    tables: writer === sequelize ? writing : defineTables(sequelize),
    write: (work) => {
      const next = last.then(() => inTransaction(writer, () => work(writing)));
      last = next.catch(() => undefined);
      return next;
    },
    close: async () => {
      await last;
      await sequelize.close();
      if (writer !== sequelize) await writer.close();
    },
  };
}

/** Sequelize keeps one connection for everything outside its own transactions: this one. */
async function connect(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: sqlite3,
    storage: file,
    logging: false,
    retry: { max: 1 },
  });
  for (const pragma of pragmas) await sequelize.query(`PRAGMA ${pragma}`);
  return sequelize;
}

/** By hand, because Sequelize opens a new connection for every transaction on SQLite. */
async function inTransaction<T>(writer: Sequelize, work: () => Promise<T>): Promise<T> {
  await writer.query('BEGIN IMMEDIATE');
  try {
    const value = await work();
    await writer.query('COMMIT');
    return value;
  } catch (error) {
    await writer.query('ROLLBACK');
    throw error;
  }
}

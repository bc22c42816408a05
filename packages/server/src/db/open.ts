import type { Signer } from '@holvek/core';
import { chmodSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { Umzug } from 'umzug';
import { migrations } from './migrations';
import { Pictures } from './pictures';
import { preparedOn } from './prepared';
import { openSigner } from './signer';
import { defineTables, type Tables } from './tables';
import { inTransaction, Writer, type Work } from './writer';

export type Store = {
  /** The key of this house. */
  readonly signer: Signer;
  /** For reading: its connection never stands inside a write. */
  readonly sequelize: Sequelize;
  readonly tables: Tables;
  /** Files of pictures, beside the database. */
  readonly pictures: Pictures;
  /** One writer at a time, in one transaction on a connection of its own: all of it or nothing. */
  readonly write: <T>(work: Work<T>) => Promise<T>;
  /** Whether the last write found room on the disk. */
  readonly hasRoom: () => boolean;
  readonly close: () => Promise<void>;
};

type OnQuery = (sql: string, ms: number) => void;

/** WAL keeps readers free while one writes; FULL keeps a signed sheet through a power cut. */
const pragmas = [
  'busy_timeout = 5000',
  'journal_mode = WAL',
  'foreign_keys = ON',
  'synchronous = FULL',
];

/** The database was made by a version that came after this one. */
export class NewerDatabase extends Error {
  constructor(file: string, unknown: readonly string[]) {
    super(
      `${file} was made by a newer Holvek (${unknown.join(', ')}). ` +
        'Nothing was changed: start the newer version, or give another file.',
    );
  }
}

/**
 * Opens the database file (or ':memory:'), with every migration applied. Each is whole or not there,
 * whenever the power goes.
 *
 * @param onQuery  told of each query for reading
 * @throws NewerDatabase
 */
export async function openStore(file: string, onQuery?: OnQuery): Promise<Store> {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const sequelize = await connect(file, onQuery);
  if (file !== ':memory:') chmodSync(file, 0o600);
  await migrate(sequelize, file);
  const signer = await openSigner(file);
  // A database in memory has one connection; a file has a second one that only writes.
  const writer = file === ':memory:' ? sequelize : await connect(file);
  const writing = defineTables(writer);
  await rememberKey(writing, signer);
  const prepared = await preparedOn(writer);
  const hand = new Writer(writing, prepared);
  return {
    signer,
    sequelize,
    tables: writer === sequelize ? writing : defineTables(sequelize),
    pictures: Pictures.beside(file),
    hasRoom: () => hand.hasRoom,
    write: (work) => hand.write(work),
    close: async () => {
      await hand.close();
      await sequelize.close();
      if (writer !== sequelize) await writer.close();
    },
  };
}

/**
 * Makes an empty database of the shape that it had after these changes, and no others.
 *
 * @param only  names of migrations, in their order
 */
export async function makeDatabase(file: string, only: readonly string[]): Promise<void> {
  const sequelize = await connect(file);
  try {
    await migrate(sequelize, file, only);
  } finally {
    await sequelize.close();
  }
}

/** Sequelize keeps one connection for everything outside its own transactions: this one. */
async function connect(file: string, onQuery?: OnQuery): Promise<Sequelize> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: sqlite3,
    storage: file,
    // Told of every query, and how many milliseconds it took.
    logging: onQuery ? (sql, ms) => onQuery(sql, Number(ms)) : false,
    benchmark: onQuery !== undefined,
    retry: { max: 1 },
  });
  for (const pragma of pragmas) await sequelize.query(`PRAGMA ${pragma}`);
  return sequelize;
}

async function rememberKey(tables: Tables, { name, publicKey }: Signer): Promise<void> {
  if (await tables.keys.findByPk(name)) return;
  await tables.keys.create({ name, since_ms: Date.now(), body: JSON.stringify(publicKey) });
}

const ledger = '"SequelizeMeta"';

/** Applies what is missing; a migration and its line in the ledger are one transaction. */
async function migrate(
  sequelize: Sequelize,
  file: string,
  only?: readonly string[],
): Promise<void> {
  await sequelize.query(`CREATE TABLE IF NOT EXISTS ${ledger} (name VARCHAR(255) PRIMARY KEY)`);
  const executed = async () => {
    const [rows] = await sequelize.query(`SELECT name FROM ${ledger} ORDER BY name`);
    return (rows as { name: string }[]).map(({ name }) => name);
  };
  const known = new Set(migrations.map(({ name }) => name));
  const unknown = (await executed()).filter((name) => !known.has(name));
  if (unknown.length > 0) throw new NewerDatabase(file, unknown);
  const prepared = await preparedOn(sequelize);
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () =>
        inTransaction(prepared, async () => {
          await up({ context: sequelize.getQueryInterface() });
          await sequelize.query(`INSERT INTO ${ledger} (name) VALUES (?)`, {
            replacements: [name],
          });
        }),
    })),
    // Each migration writes its own line, within its transaction.
    storage: { executed, logMigration: async () => {}, unlogMigration: async () => {} },
    logger: undefined,
  });
  await umzug.up(only ? { migrations: [...only] } : {});
  await prepared.close();
}

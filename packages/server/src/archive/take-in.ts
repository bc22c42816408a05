import { createReadStream, existsSync } from 'node:fs';
import { chmod, mkdir, mkdtemp, readdir, readFile, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { z } from 'zod';
import { recordFaults } from '../backup/check';
import { alsoAt, digestOfFile } from '../backup/files';
import { moveAside } from '../backup/restore';
import { Snapshot } from '../backup/snapshot';
import { migrations } from '../db/migrations';
import { holdAlone } from '../db/one-server';
import { makeDatabase, openStore } from '../db/open';
import { Pictures } from '../db/pictures';
import {
  archiveManifestSchema,
  isOfTheRecord,
  MANIFEST,
  PICTURES,
  TABLES,
  type ArchiveManifest,
} from './shape';
import { unzip, type Unpacked } from './unzip';
import { writeRows } from './write';

/** Why an archive was not taken in; nothing was changed. */
export class NotTakenIn extends Error {
  constructor(why: string) {
    super(`${why}. Nothing was changed.`);
  }
}

export type TakenIn = {
  readonly counts: ArchiveManifest['counts'];
  /** Where the empty database that stood there is now. */
  readonly aside: string | undefined;
};

/**
 * Puts an archive where an empty server is served from. Every file of it has to be what the archive says that it is,
 * every row comes out again as it went in, and the record has to hold, before anything is put in its place.
 *
 * @param from  the archive
 * @param file  the database that the server is started with: not there yet, or with nothing in it
 * @throws NotTakenIn
 * @throws AlreadyServed while a server runs on it
 */
export async function takeIn(from: string, file: string, now: number): Promise<TakenIn> {
  const scratch = await mkdtemp(join(tmpdir(), 'holvek-take-in-'));
  await mkdir(dirname(file), { recursive: true, mode: 0o700 });
  const letGo = await holdAlone(file);
  const making = `${file}.taking-in`;
  try {
    await mustBeEmpty(file);
    const folder = join(scratch, 'archive');
    const manifest = await opened(from, folder);
    for (const end of ['', '-wal', '-shm']) await rm(making + end, { force: true });
    await makeDatabase(making, manifest.migrations);
    await fill(making, folder, manifest);
    await mustComeOutAlike(making, scratch, manifest);
    await mustHold(making);
    await givePictures(folder, Pictures.beside(file).folder);
    const aside = await moveAside(file, now);
    await chmod(making, 0o600);
    await rename(making, file);
    return { counts: manifest.counts, aside };
  } finally {
    await letGo();
    for (const end of ['', '-wal', '-shm']) await rm(making + end, { force: true });
    await rm(scratch, { recursive: true, force: true });
  }
}

/** What a house has of its own before anybody has worked in it. */
async function mustBeEmpty(file: string): Promise<void> {
  if (!existsSync(file)) return;
  const there = await Snapshot.open(file);
  try {
    for (const table of ['valves', 'people', 'events', 'sheets']) {
      const count = await there.count(table);
      if (count > 0) throw new NotTakenIn(`${file} is not empty: ${table}: ${count}`);
    }
  } finally {
    await there.close();
  }
}

async function opened(from: string, folder: string): Promise<ArchiveManifest> {
  const files = await unzip(from, folder).catch((error: unknown) => {
    throw new NotTakenIn(`${from} cannot be unpacked: ${(error as Error).message}`);
  });
  const text = await readFile(join(folder, MANIFEST), 'utf8').catch(() => 'null');
  const manifest = archiveManifestSchema.safeParse(parsed(text));
  if (!manifest.success) throw new NotTakenIn(`${from} is no archive of a house`);
  const faults = fileFaults(files, manifest.data);
  if (faults.length > 0) throw new NotTakenIn(`${from} does not hold: ${faults.join('; ')}`);
  const known = new Set(migrations.map(({ name }) => name));
  const newer = manifest.data.migrations.filter((name) => !known.has(name));
  if (newer.length > 0)
    throw new NotTakenIn(`${from} was made by a newer Holvek (${newer.join(', ')})`);
  return manifest.data;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Files that are missing, were changed, or came in since. */
function fileFaults(
  files: ReadonlyMap<string, Unpacked>,
  { files: wanted }: ArchiveManifest,
): readonly string[] {
  const named = new Set([MANIFEST, ...wanted.map(({ name }) => name)]);
  const strange = [...files.keys()].filter((name) => !named.has(name));
  const wrong = wanted.flatMap(({ name, bytes, sha256 }) => {
    const file = files.get(name);
    if (!file) return [`${name} is missing`];
    return file.bytes === bytes && file.sha256 === sha256 ? [] : [`${name} was changed since`];
  });
  return [...wrong, ...strange.map((name) => `${name} is none of its files`)];
}

/** All rows in one transaction: half a house is never found. */
async function fill(making: string, folder: string, { counts }: ArchiveManifest): Promise<void> {
  const database = await Snapshot.open(making);
  try {
    await database.all('PRAGMA foreign_keys = OFF');
    await database.all('BEGIN IMMEDIATE');
    for (const table of await database.tables()) {
      if (!isOfTheRecord(table)) continue;
      await database.all(`DELETE FROM "${table}"`);
      if (table in counts) await fillTable(database, table, join(folder, TABLES, `${table}.jsonl`));
    }
    await database.all('COMMIT');
  } finally {
    await database.close();
  }
}

const rowSchema = z.record(z.string(), z.union([z.string(), z.number(), z.null()]));

async function fillTable(database: Snapshot, table: string, from: string): Promise<void> {
  const columns = await database.columns(table);
  const names = columns.map((name) => `"${name}"`).join(', ');
  const places = columns.map(() => '?').join(', ');
  const insert = await database.prepare(`INSERT INTO "${table}" (${names}) VALUES (${places})`);
  try {
    for await (const line of createInterface({ input: createReadStream(from) })) {
      const row = rowSchema.safeParse(parsed(line));
      if (!row.success || Object.keys(row.data).some((name) => !columns.includes(name)))
        throw new NotTakenIn(`a row of ${table} cannot be read`);
      await insert.run(columns.map((name) => row.data[name] ?? null));
    }
  } finally {
    await insert.finalize();
  }
}

/** What was put in comes out again, to the byte. */
async function mustComeOutAlike(
  making: string,
  scratch: string,
  { files }: ArchiveManifest,
): Promise<void> {
  const database = await Snapshot.open(making);
  try {
    const known = new Set((await database.tables()).filter(isOfTheRecord));
    for (const { name, sha256 } of files.filter((each) => each.name.startsWith(`${TABLES}/`))) {
      const table = name.slice(TABLES.length + 1, -'.jsonl'.length);
      // Its name goes into a question to the database: only one that is there is asked for.
      if (!known.has(table)) throw new NotTakenIn(`${name} is no table of a record`);
      const again = join(scratch, 'again.jsonl');
      await writeRows(database, table, again);
      if ((await digestOfFile(again)) !== sha256)
        throw new NotTakenIn(`${name} did not come out as it went in`);
    }
  } finally {
    await database.close();
  }
}

/** The log is whole, and every sheet is what was filed. */
async function mustHold(making: string): Promise<void> {
  const store = await openStore(making);
  const faults = await recordFaults(store).finally(() => store.close());
  if (faults.length > 0) throw new NotTakenIn(`its record does not hold: ${faults.join('; ')}`);
}

const PICTURE = /^[0-9a-f]{64}(?:\.small)?\.jpg$/u;

async function givePictures(folder: string, to: string): Promise<void> {
  const names = await readdir(join(folder, PICTURES)).catch(() => []);
  for (const name of names.filter((each) => PICTURE.test(each)))
    await alsoAt(join(folder, PICTURES, name), join(to, name));
}

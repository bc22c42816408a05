import {
  countersignDigest,
  backupManifestSchema,
  hashOf,
  logFaults,
  logLineSchema,
  photoSchema,
  type BackupManifest,
} from '@holvek/core';
import { existsSync } from 'node:fs';
import { copyFile, mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStore, type Store } from '../db/open';
import { Pictures } from '../db/pictures';
import { toCountersign } from '../sheet/countersigns';
import { headOf } from '../sheet/log';
import { toSheet } from '../sheet/stored';
import { alsoAt, DATABASE, digestOfFile, MANIFEST, PICTURES } from './files';

/** What a backup says of itself. @throws where it is none, or is one of another kind */
export async function manifestOf(folder: string): Promise<BackupManifest> {
  return backupManifestSchema.parse(JSON.parse(await readFile(join(folder, MANIFEST), 'utf8')));
}

/**
 * What is wrong with a backup, in words: each file is what it was, and the database, restored into a scratch
 * place, opens there, is sound, and holds what the backup says that it holds.
 */
export async function check(folder: string): Promise<readonly string[]> {
  const manifest = await manifestOf(folder).catch(() => undefined);
  if (!manifest) return [`${folder} is no backup: its ${MANIFEST} is missing or cannot be read`];
  const damaged = await fileFaults(folder, manifest);
  return damaged.length > 0 ? damaged : restoredFaults(folder, manifest);
}

async function fileFaults(folder: string, { files }: BackupManifest): Promise<string[]> {
  const faults: string[] = [];
  if (!files.some(({ name }) => name === DATABASE)) faults.push(`${DATABASE} is not in it`);
  for (const { name, bytes, sha256 } of files) {
    const path = join(folder, name);
    if (!existsSync(path)) faults.push(`${name} is missing`);
    else if ((await stat(path)).size !== bytes || (await digestOfFile(path)) !== sha256)
      faults.push(`${name} was changed since`);
  }
  return faults;
}

/** Restores it where nobody is served from, and looks. */
async function restoredFaults(folder: string, manifest: BackupManifest): Promise<string[]> {
  const scratch = await mkdtemp(join(tmpdir(), 'holvek-scratch-'));
  try {
    const file = join(scratch, DATABASE);
    await putFiles(folder, manifest, file);
    const store = await openStore(file);
    try {
      return await storeFaults(store, manifest);
    } finally {
      await store.close();
    }
  } catch (error) {
    return [`the database does not open: ${(error as Error).message}`];
  } finally {
    await rm(scratch, { recursive: true, force: true });
  }
}

/** Puts what a backup keeps to where a database is to stand: a copy of the database, the pictures beside it. */
export async function putFiles(
  folder: string,
  { files }: BackupManifest,
  file: string,
): Promise<void> {
  await copyFile(join(folder, DATABASE), file);
  const pictures = Pictures.beside(file).folder;
  for (const { name } of files.filter((each) => each.name.startsWith(`${PICTURES}/`)))
    await alsoAt(join(folder, name), join(pictures, name.slice(PICTURES.length + 1)));
}

async function storeFaults(store: Store, manifest: BackupManifest): Promise<string[]> {
  return [
    ...(await databaseFaults(store, manifest)),
    ...(await recordFaults(store)),
    ...(await headFaults(store, manifest)),
    ...(await pictureFaults(store)),
  ];
}

async function databaseFaults({ sequelize }: Store, { counts }: BackupManifest) {
  const faults: string[] = [];
  const [integrity] = await sequelize.query('PRAGMA integrity_check');
  const [first] = integrity as { readonly integrity_check: string }[];
  if (first?.integrity_check !== 'ok')
    faults.push(`the database is damaged: ${first?.integrity_check}`);
  for (const [table, wanted] of Object.entries(counts)) {
    const [rows] = await sequelize.query(`SELECT COUNT(*) AS n FROM ${table}`);
    const there = (rows as { readonly n: number }[])[0]?.n;
    if (there !== wanted) faults.push(`${table}: ${there} of ${wanted}`);
  }
  return faults;
}

/** Sheets that are looked through at a time. */
const AT_ONCE = 500;

/** The log ends where it did. */
async function headFaults({ tables }: Store, { head }: BackupManifest): Promise<string[]> {
  const last = await headOf(tables);
  return last.hash === head.hash ? [] : ['the log does not end where it did'];
}

/** What is wrong with a record, in words: its log is whole, and every sheet is what was filed. */
export async function recordFaults({ tables }: Pick<Store, 'tables'>): Promise<string[]> {
  const lines = (await tables.log.findAll({ order: [['seq', 'ASC']], raw: true })).map((row) =>
    logLineSchema.parse(row),
  );
  const faults = logFaults(lines).map(({ code, seq }) => `${code} at line ${seq}`);
  const inLog = new Set(lines.map(({ sheet }) => sheet));
  const here = new Set<string>();
  for (const row of await tables.countersigns.findAll({ raw: true }))
    here.add(countersignDigest(toCountersign(row)));
  const sheets = await tables.sheets.count();
  for (let offset = 0; offset < sheets; offset += AT_ONCE) {
    const order: [string, string][] = [['id', 'ASC']];
    for (const row of await tables.sheets.findAll({ order, offset, limit: AT_ONCE, raw: true })) {
      const { id, hash, body } = toSheet(row);
      here.add(hash);
      if (hashOf(body) !== hash || !inLog.has(hash))
        faults.push(`sheet ${id} is not what was filed`);
    }
  }
  for (const { seq, sheet } of lines)
    if (!here.has(sheet)) faults.push(`what line ${seq} of the log is about is not here`);
  return faults;
}

async function pictureFaults({ tables, pictures }: Store): Promise<string[]> {
  const faults: string[] = [];
  for (const { body } of await tables.photos.findAll({ raw: true })) {
    const { picture, id } = photoSchema.parse(JSON.parse(body));
    if (!pictures.has(picture)) faults.push(`the picture of photo ${id} is missing`);
  }
  return faults;
}

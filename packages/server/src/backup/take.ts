import {
  backupManifestSchema,
  photoSchema,
  type BackupManifest,
  type BackupReason,
} from '@holvek/core';
import { existsSync } from 'node:fs';
import { chmod, copyFile, mkdir, readdir, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import { Pictures, pictureSizes } from '../db/pictures';
import { keyFileOf } from '../db/signer';
import { check } from './check';
import { alsoAt, DATABASE, digestOfFile, MANIFEST, PICTURES } from './files';
import { Snapshot } from './snapshot';

export type BackupJob = {
  /** The database, which may be served meanwhile. */
  readonly file: string;
  /** Where backups are kept. */
  readonly folder: string;
  readonly why: BackupReason;
  readonly now: number;
};

/** A backup that does not hold what it should: it was not kept. */
export class BadBackup extends Error {}

/**
 * Makes a backup: database and pictures as they stand at one moment, with what it says of itself. It is restored
 * into a scratch place and looked through before it gets its name. Keys are kept apart, beside the backups.
 *
 * @returns its name
 * @throws BadBackup where it does not hold
 */
export async function takeBackup({ file, folder, why, now }: BackupJob): Promise<string> {
  const name = nameOf(now, why);
  const making = join(folder, `.making-${name}`);
  await rm(making, { recursive: true, force: true });
  await mkdir(making, { recursive: true, mode: 0o700 });
  try {
    const manifest = await fill(making, file, { why, now });
    await writeFile(join(making, MANIFEST), JSON.stringify(manifest, null, 2), { mode: 0o600 });
    const faults = await check(making);
    if (faults.length > 0) throw new BadBackup(faults.join('; '));
    await rename(making, join(folder, name));
  } catch (error) {
    await rm(making, { recursive: true, force: true });
    throw error;
  }
  await keepKey(file, folder);
  return name;
}

/** "2026-11-27T03-00-00-000Z-daily": sorts by time, and is a name everywhere. */
const nameOf = (now: number, why: BackupReason): string =>
  `${new Date(now).toISOString().replaceAll(/[:.]/gu, '-')}-${why}`;

async function fill(
  making: string,
  file: string,
  { why, now }: Pick<BackupJob, 'why' | 'now'>,
): Promise<BackupManifest> {
  const served = await Snapshot.open(file);
  try {
    await served.all('VACUUM INTO ?', [join(making, DATABASE)]);
  } finally {
    await served.close();
  }
  await chmod(join(making, DATABASE), 0o600);
  // What the copy says, not what has come since.
  const copy = await Snapshot.open(join(making, DATABASE));
  try {
    await givePictures(copy, Pictures.beside(file).folder, join(making, PICTURES));
    return backupManifestSchema.parse({
      format: 'holvek.backup',
      version: 1,
      at_ms: now,
      why,
      migrations: await copy.migrations(),
      counts: {
        valves: await copy.count('valves'),
        sheets: await copy.count('sheets'),
        events: await copy.count('events'),
        photos: await copy.count('photos'),
      },
      head: await headIn(copy),
      files: await listedIn(making),
    });
  } finally {
    await copy.close();
  }
}

async function headIn(copy: Snapshot) {
  const none = { seq: 0, hash: null };
  if (!(await copy.has('log'))) return none;
  const [last] = await copy.all('SELECT seq, hash FROM log ORDER BY seq DESC LIMIT 1');
  return last ?? none;
}

/** The pictures that its documents name. One that is missing is found by the check. */
async function givePictures(copy: Snapshot, from: string, to: string): Promise<void> {
  if (!(await copy.has('photos'))) return;
  for (const { body } of await copy.all('SELECT body FROM photos')) {
    const { picture } = photoSchema.parse(JSON.parse(String(body)));
    for (const size of pictureSizes) {
      const name = Pictures.fileName(picture, size);
      if (existsSync(join(from, name))) await alsoAt(join(from, name), join(to, name));
    }
  }
}

/** Every file within a folder, with its length and its digest. */
export async function listedIn(making: string): Promise<BackupManifest['files']> {
  const names = await readdir(making, { recursive: true, withFileTypes: true });
  const files = names
    .filter((each) => each.isFile())
    .map((each) => join(each.parentPath, each.name));
  return Promise.all(
    files.map(async (path) => ({
      name: path.slice(making.length + 1),
      bytes: (await stat(path)).size,
      sha256: await digestOfFile(path),
    })),
  );
}

/** Whoever has a backup can read the record; only who has the key can sign as the house. */
async function keepKey(file: string, folder: string): Promise<void> {
  const key = keyFileOf(file);
  if (!existsSync(key)) return;
  const kept = join(folder, 'keys');
  await mkdir(kept, { recursive: true, mode: 0o700 });
  const name = `${await digestOfFile(key)}.json`;
  if (existsSync(join(kept, name))) return;
  await copyFile(key, join(kept, name));
  await chmod(join(kept, name), 0o600);
}

/** Where a house keeps its backups, unless it is told otherwise. */
export const backupFolderOf = (file: string): string =>
  join(dirname(file), `${basename(file, '.sqlite')}-backups`);

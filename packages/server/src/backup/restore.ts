import { existsSync } from 'node:fs';
import { chmod, copyFile, mkdir, readdir, rename } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { migrations } from '../db/migrations';
import { holdAlone } from '../db/one-server';
import { keyFileOf } from '../db/signer';
import { check, manifestOf, putFiles } from './check';

/** Why nothing was restored; nothing was changed. */
export class NotRestored extends Error {}

export type Restored = {
  /** Where what stood there before is now. */
  readonly aside: string | undefined;
  readonly sheets: number;
  readonly atMs: number;
  /** Whether the key of the house is there: without it the house signs with a new one from now on. */
  readonly hasKey: boolean;
};

/**
 * Puts a backup where a database is served from. What stood there is moved aside, never thrown away.
 *
 * @param from  folder of the backup
 * @param file  the database that the server is started with
 * @throws NotRestored, with everything as it was, where the backup does not hold or is newer than this Holvek
 * @throws AlreadyServed while a server runs on it
 */
export async function restoreBackup(from: string, file: string, now: number): Promise<Restored> {
  const manifest = await manifestOf(from).catch(() => undefined);
  if (!manifest) throw new NotRestored(`${from} is no backup. Nothing was changed.`);
  const known = new Set(migrations.map(({ name }) => name));
  const newer = manifest.migrations.filter((name) => !known.has(name));
  if (newer.length > 0)
    throw new NotRestored(
      `${from} was made by a newer Holvek (${newer.join(', ')}). Nothing was changed: install that one first.`,
    );
  const faults = await check(from);
  if (faults.length > 0)
    throw new NotRestored(`${from} does not hold: ${faults.join('; ')}. Nothing was changed.`);
  await mkdir(dirname(file), { recursive: true, mode: 0o700 });
  const letGo = await holdAlone(file);
  try {
    const aside = await moveAside(file, now);
    const making = `${file}.restoring`;
    await putFiles(from, manifest, making);
    await chmod(making, 0o600);
    await rename(making, file);
    const hasKey = await putKey(from, file);
    return { aside, sheets: manifest.counts.sheets, atMs: manifest.at_ms, hasKey };
  } finally {
    await letGo();
  }
}

/** Moves a database aside, under a name with the time; undefined where there is none. */
export async function moveAside(file: string, now: number): Promise<string | undefined> {
  if (!existsSync(file)) return undefined;
  const aside = `${file}.before-${new Date(now).toISOString().replaceAll(/[:.]/gu, '-')}`;
  for (const end of ['', '-wal', '-shm'])
    if (existsSync(file + end)) await rename(file + end, aside + end);
  return aside;
}

/** The key that is there stays; where there is none, the one that is kept beside the backups, if it is one only. */
async function putKey(from: string, file: string): Promise<boolean> {
  const key = keyFileOf(file);
  if (existsSync(key)) return true;
  const folder = join(dirname(from), 'keys');
  const kept = await readdir(folder).catch(() => []);
  if (kept.length !== 1) return false;
  await mkdir(dirname(key), { recursive: true, mode: 0o700 });
  await copyFile(join(folder, kept[0]!), key);
  await chmod(key, 0o600);
  return true;
}

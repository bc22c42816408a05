import { BACKUP_STALE_MS, keyNameOf, publicKeySchema } from '@holvek/core';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import { check } from '../backup/check';
import { listed } from '../backup/keeper';
import { Snapshot } from '../backup/snapshot';
import { migrations } from '../db/migrations';
import { keyFileOf } from '../db/signer';

/** What was looked at, how it stands, and what to do where it is not well. */
export type Finding = {
  readonly what: string;
  readonly isWell: boolean;
  readonly say: string;
  readonly todo?: string;
};

export type House = {
  /** The database. */
  readonly file: string;
  /** Where its backups are kept. */
  readonly backups: string;
  readonly now: number;
};

/** Bytes that a house wants free: a day of photos, and room for the database to be written once more. */
const WANTED_FREE_B = 1_000_000_000;
/** ms by which the clock may be behind what was written last. */
const CLOCK_SLACK_MS = 120_000;

const well = (what: string, say: string): Finding => ({ what, isWell: true, say });
const ill = (what: string, say: string, todo: string): Finding => ({
  what,
  isWell: false,
  say,
  todo,
});

/** Looks through a house, served or not: each thing that could cost it its record, and what to do about it. */
export async function examine(house: House): Promise<readonly Finding[]> {
  const node = nodeFinding(process.versions.node);
  if (!existsSync(house.file))
    return [
      node,
      ill(
        'database',
        `${house.file} is not there`,
        'Start the server once, or give DATA the right file.',
      ),
    ];
  return [
    node,
    await diskFinding(house),
    ...permissionFindings(house),
    ...(await databaseFindings(house)),
    await backupFinding(house),
  ];
}

/** @param version  "20.19.1" */
export function nodeFinding(version: string): Finding {
  const [major = 0, minor = 0] = version.split('.').map(Number);
  return major > 20 || (major === 20 && minor >= 19)
    ? well('Node', version)
    : ill('Node', `${version} is too old`, 'Install 20.19 or newer.');
}

async function diskFinding({ file }: House): Promise<Finding> {
  const { bavail, bsize } = await statfs(dirname(file));
  const free = bavail * bsize;
  const say = `${(free / 1e9).toFixed(1)} GB free`;
  return free >= WANTED_FREE_B
    ? well('disk', say)
    : ill('disk', say, 'Make room: with less than 1 GB a day of photos may not fit.');
}

/** Nobody but the owner of the process may read the record, or sign as the house. */
function permissionFindings({ file }: House): Finding[] {
  const key = keyFileOf(file);
  const wanted = [
    [file, 0o600],
    [key, 0o600],
    [dirname(key), 0o700],
  ] as const;
  return wanted
    .filter(([path]) => existsSync(path))
    .map(([path, mode]) => {
      const is = statSync(path).mode & 0o777;
      const say = `${path} is ${is.toString(8)}`;
      return (is & ~mode) === 0
        ? well('permissions', say)
        : ill('permissions', `${say}: others can read it`, `chmod ${mode.toString(8)} ${path}`);
    });
}

async function databaseFindings(house: House): Promise<Finding[]> {
  const snapshot = await Snapshot.open(house.file);
  try {
    return [
      await soundness(snapshot),
      await shape(snapshot),
      await clock(snapshot, house.now),
      await key(snapshot, house),
    ];
  } catch (error) {
    return [
      ill('database', `it cannot be read: ${(error as Error).message}`, 'Restore the last backup.'),
    ];
  } finally {
    await snapshot.close();
  }
}

async function soundness(snapshot: Snapshot): Promise<Finding> {
  const [row] = await snapshot.all('PRAGMA integrity_check');
  const said = String(row?.['integrity_check']);
  if (said === 'ok') return well('database', `sound, ${await snapshot.count('sheets')} sheets`);
  return ill('database', said, 'Stop the server, copy the file away, restore the last backup.');
}

async function shape(snapshot: Snapshot): Promise<Finding> {
  const known = new Set(migrations.map(({ name }) => name));
  const applied = await snapshot.migrations();
  const newer = applied.filter((name) => !known.has(name));
  if (newer.length > 0)
    return ill(
      'version',
      `the database is newer: ${newer.join(', ')}`,
      'Install the newer Holvek.',
    );
  const pending = known.size - applied.length;
  return well(
    'version',
    pending === 0 ? 'as this Holvek wants it' : `${pending} changes at the next start`,
  );
}

/** A clock that stands behind what was written would order new work before old. */
async function clock(snapshot: Snapshot, now: number): Promise<Finding> {
  const [row] = (await snapshot.has('log'))
    ? await snapshot.all('SELECT MAX(at_ms) AS at FROM log')
    : [];
  const last = Number(row?.['at'] ?? 0);
  const say = new Date(now).toISOString();
  return now >= last - CLOCK_SLACK_MS
    ? well('clock', say)
    : ill(
        'clock',
        `${say} is before the last sheet`,
        'Set the clock, by the network if there is one.',
      );
}

/** The key that signed the last line is the one that will sign the next. */
async function key(snapshot: Snapshot, { file }: House): Promise<Finding> {
  const path = keyFileOf(file);
  if (!existsSync(path))
    return ill(
      'key',
      `${path} is missing`,
      'Put it back from the keys beside the backups, or the house signs with a new one.',
    );
  const own = publicKeySchema.safeParse(JSON.parse(readFileSync(path, 'utf8')));
  if (!own.success) return ill('key', `${path} is no key`, 'Put the right one back.');
  const [last] = (await snapshot.has('log'))
    ? await snapshot.all('SELECT key FROM log ORDER BY seq DESC LIMIT 1')
    : [];
  const name = keyNameOf(own.data);
  return last === undefined || last['key'] === name
    ? well('key', name.slice(0, 16))
    : ill(
        'key',
        'another key signed last',
        'If it was changed on purpose, all is well; else put the old one back.',
      );
}

async function backupFinding({ backups, now }: House): Promise<Finding> {
  const [last] = await listed(backups);
  if (!last) return ill('backups', `none in ${backups}`, 'Start the server: it makes one a day.');
  const hours = Math.round((now - last.at_ms) / 3_600_000);
  const say = `the last was made ${hours} h ago (${last.name})`;
  if (now - last.at_ms > BACKUP_STALE_MS)
    return ill('backups', say, 'Look at Settings why none came after it, and make one.');
  const faults = await check(`${backups}/${last.name}`);
  return faults.length === 0
    ? well('backups', `${say} and holds`)
    : ill('backups', `${say}, and does not hold: ${faults.join('; ')}`, 'Make one now.');
}

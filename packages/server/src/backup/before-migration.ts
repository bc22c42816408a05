import { existsSync } from 'node:fs';
import { migrations } from '../db/migrations';
import { Snapshot } from './snapshot';
import { takeBackup } from './take';

/**
 * A backup of a database whose shape is about to change.
 *
 * @returns its name; undefined where nothing changes
 */
export async function backupBeforeMigration(
  file: string,
  folder: string,
  now: number,
): Promise<string | undefined> {
  if (!existsSync(file)) return undefined;
  const snapshot = await Snapshot.open(file);
  const applied = await snapshot.migrations().finally(() => snapshot.close());
  const isPending = migrations.some(({ name }) => !applied.includes(name));
  if (applied.length === 0 || !isPending) return undefined;
  return takeBackup({ file, folder, why: 'before_migration', now });
}

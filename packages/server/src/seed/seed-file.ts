import { existsSync, renameSync, rmSync } from 'node:fs';
import { openStore } from '../db/open';
import { seedLarkhollow } from './larkhollow';

type SeedOptions = Parameters<typeof seedLarkhollow>[1];

/**
 * A database file with Larkhollow in it, where there is no file yet. It is made beside its place and
 * moved there when it is whole, so that a start that is cut off is simply begun anew.
 *
 * @returns whether one was made
 */
export async function seedFile(file: string, options: SeedOptions): Promise<boolean> {
  if (existsSync(file)) return false;
  const making = `${file}.seeding`;
  for (const ending of ['', '-wal', '-shm']) rmSync(making + ending, { force: true });
  const store = await openStore(making);
  await seedLarkhollow(store, options);
  await store.sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
  await store.close();
  renameSync(making, file);
  return true;
}

import sqlite3 from 'sqlite3';

/** Another server has this database open. */
export class AlreadyServed extends Error {
  constructor(file: string) {
    super(
      `${file} is already served by another Holvek. Nothing was changed: ` +
        'stop that one, or give this one a file of its own.',
    );
  }
}

/** Locks of this process: one that nobody refers to would be collected, and let go of. */
const held = new Set<sqlite3.Database>();

/**
 * Holds a database for this process alone, by a lock that the operating system lets go of however the
 * process ends.
 *
 * @throws AlreadyServed
 * @returns lets go of it
 */
export async function holdAlone(file: string): Promise<() => Promise<void>> {
  const lock = new sqlite3.Database(`${file}.lock`);
  const run = (sql: string) =>
    new Promise<void>((done, failed) => {
      lock.exec(sql, (error) => (error ? failed(error) : done()));
    });
  held.add(lock);
  const close = () => {
    held.delete(lock);
    return new Promise<void>((done) => lock.close(() => done()));
  };
  try {
    await run('PRAGMA busy_timeout = 0; BEGIN EXCLUSIVE');
  } catch (error) {
    await close();
    if ((error as { code?: string }).code === 'SQLITE_BUSY') throw new AlreadyServed(file);
    throw error;
  }
  return close;
}

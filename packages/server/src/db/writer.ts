import type { Prepared } from './prepared';
import type { Tables } from './tables';

/** What is done in one write: all of it or nothing. */
export type Work<T> = (tables: Tables, prepared: Prepared) => Promise<T>;

type Job = {
  readonly work: Work<unknown>;
  readonly done: (value: unknown) => void;
  readonly failed: (error: unknown) => void;
};

/** Writes that may share one transaction: more would keep the first of them waiting too long. */
const MOST_TOGETHER = 32;

/**
 * The one who writes. Works follow one another as they were asked for; those that have come while
 * the disk was busy share the next transaction, each in a savepoint of its own, so that one that
 * fails takes nothing of the others with it. Nobody is answered before what he wrote is on the disk.
 */
export class Writer {
  private waiting: Job[] = [];
  private writing: Promise<void> | undefined;
  /** Whether the last write found room on the disk. */
  hasRoom = true;

  constructor(
    private readonly tables: Tables,
    private readonly prepared: Prepared,
  ) {}

  write<T>(work: Work<T>): Promise<T> {
    return new Promise<T>((done, failed) => {
      this.waiting.push({ work, done: done as Job['done'], failed });
      this.writing ??= this.writeAll();
    });
  }

  /** Ends once nothing waits any more. */
  async close(): Promise<void> {
    await this.writing;
    await this.prepared.close();
  }

  private async writeAll(): Promise<void> {
    // What is asked for in the same breath goes together.
    await Promise.resolve();
    while (this.waiting.length > 0) await this.together(this.waiting.splice(0, MOST_TOGETHER));
    this.writing = undefined;
  }

  private async together(jobs: readonly Job[]): Promise<void> {
    try {
      const answers = await inTransaction(this.prepared, async () => {
        const each: (() => void)[] = [];
        for (const job of jobs) each.push(await this.alone(job));
        return each;
      });
      this.hasRoom = true;
      for (const answer of answers) answer();
    } catch (error) {
      if (isDiskFull(error)) this.hasRoom = false;
      for (const { failed } of jobs) failed(error);
    }
  }

  /** One work in its savepoint; what its asker is told once the whole is on the disk. */
  private async alone({ work, done, failed }: Job): Promise<() => void> {
    await this.prepared.run('SAVEPOINT work');
    try {
      const value = await work(this.tables, this.prepared);
      await this.prepared.run('RELEASE work');
      return () => done(value);
    } catch (error) {
      // A full disk has rolled back the whole: then none of it is kept, and everyone is told.
      if (isDiskFull(error)) throw error;
      await this.prepared.run('ROLLBACK TO work');
      await this.prepared.run('RELEASE work');
      return () => failed(error);
    }
  }
}

const fullCodes = new Set(['SQLITE_FULL', 'ENOSPC', 'EDQUOT']);

/** The disk, or its share of it, is full, as SQLite says it, by itself or through Sequelize, or the file system. */
export const isDiskFull = (error: unknown): boolean => {
  const told = error as {
    readonly code?: string;
    readonly parent?: { readonly code?: string };
  } | null;
  return [told?.code, told?.parent?.code].some((code) => fullCodes.has(code ?? ''));
};

/** By hand, because Sequelize opens a new connection for every transaction on SQLite. */
export async function inTransaction<T>(prepared: Prepared, work: () => Promise<T>): Promise<T> {
  await prepared.run('BEGIN IMMEDIATE');
  try {
    const value = await work();
    await prepared.run('COMMIT');
    return value;
  } catch (error) {
    // A full disk has rolled back by itself: what went wrong first is what is told.
    await prepared.run('ROLLBACK').catch(() => undefined);
    throw error;
  }
}

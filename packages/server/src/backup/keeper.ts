import {
  BACKUP_EVERY_MS,
  backupsKept,
  type BackupReason,
  type BackupRow,
  type BackupState,
} from '@holvek/core';
import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { manifestOf } from './check';
import { takeBackup, type BackupJob } from './take';

export type KeeperOptions = {
  /** The database that is served. */
  readonly file: string;
  /** Where its backups are kept. */
  readonly folder: string;
  readonly now?: () => number;
  /** How one is made: in this process where it is not said. */
  readonly take?: (job: BackupJob) => Promise<unknown>;
  readonly log?: (error: unknown) => void;
};

/** ms between two looks whether one is due. */
const LOOK_EVERY_MS = 600_000;

/**
 * Makes a backup a day while the server runs, at its start where the last is a day old, and thins out what is
 * kept. One at a time; what came to nothing is said until one is good again.
 */
export class BackupKeeper {
  private atWork: Promise<void> | undefined;
  private failed: BackupState['failed'] = null;
  private timer: NodeJS.Timeout | undefined;

  constructor(private readonly options: KeeperOptions) {}

  /** Looks now, and from now on every ten minutes. */
  start(): void {
    void this.takeIfDue();
    this.timer = setInterval(() => void this.takeIfDue(), LOOK_EVERY_MS);
    this.timer.unref();
  }

  /** Waits for what is being made. */
  async close(): Promise<void> {
    clearInterval(this.timer);
    await this.atWork;
  }

  async state(): Promise<BackupState> {
    return { backups: await listed(this.options.folder), is_on: true, failed: this.failed };
  }

  async takeIfDue(): Promise<void> {
    const [last] = await listed(this.options.folder);
    if (last && this.now() - last.at_ms < BACKUP_EVERY_MS) return;
    await this.take('daily');
  }

  /** Makes one, where none is being made already; then what is no longer kept goes. */
  take(why: BackupReason): Promise<void> {
    this.atWork ??= this.make(why).finally(() => {
      this.atWork = undefined;
    });
    return this.atWork;
  }

  private async make(why: BackupReason): Promise<void> {
    const { file, folder, take = takeBackup, log } = this.options;
    try {
      await take({ file, folder, why, now: this.now() });
      this.failed = null;
      await thinOut(folder);
    } catch (error) {
      log?.(error);
      this.failed = { at_ms: this.now(), why: (error as Error).message.slice(0, 400) };
    }
  }

  private now = (): number => (this.options.now ?? Date.now)();
}

/** Backups that are whole, latest first. */
export async function listed(folder: string): Promise<BackupRow[]> {
  const names = await readdir(folder).catch(() => []);
  const rows = await Promise.all(
    names.map(async (name): Promise<BackupRow[]> => {
      if (name.startsWith('.')) return [];
      const manifest = await manifestOf(join(folder, name)).catch(() => undefined);
      if (!manifest) return [];
      const { at_ms, why, counts, files } = manifest;
      const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
      return [{ name, at_ms, why, bytes, sheets: counts.sheets }];
    }),
  );
  return rows.flat().sort((a, b) => b.at_ms - a.at_ms);
}

/** Takes away what the rule no longer keeps: backups of our own only. */
async function thinOut(folder: string): Promise<void> {
  const made = await listed(folder);
  const kept = backupsKept(made);
  for (const { name } of made.filter((each) => !kept.has(each.name)))
    await rm(join(folder, name), { recursive: true });
}

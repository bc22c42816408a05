import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { BackupJob } from './take';

/** The bundle that makes one backup, beside the server’s own. */
const BUNDLE = fileURLToPath(new URL('./backup.mjs', import.meta.url));

/** Makes a backup in a process of its own. @throws with what it said, where it came to nothing */
export const takeApart = (job: BackupJob): Promise<string> =>
  new Promise((done, failed) => {
    execFile(process.execPath, [BUNDLE, JSON.stringify(job)], (error, said, trouble) => {
      if (error) failed(new Error(trouble.trim() || error.message));
      else done(said.trim());
    });
  });

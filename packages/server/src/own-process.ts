import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** A bundle that stands beside the server’s own, by its name. */
export const bundleOf = (name: string): string =>
  fileURLToPath(new URL(`./${name}.mjs`, import.meta.url));

/**
 * Does a job in a process of its own, so that whoever is served does not wait for it.
 *
 * @returns what it said
 * @throws with what it said was wrong, where it came to nothing
 */
export const inOwnProcess = (bundle: string, job: unknown): Promise<string> =>
  new Promise((done, failed) => {
    execFile(process.execPath, [bundleOf(bundle), JSON.stringify(job)], (error, said, trouble) => {
      if (error) failed(new Error(trouble.trim() || error.message));
      else done(said.trim());
    });
  });

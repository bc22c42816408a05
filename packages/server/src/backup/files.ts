import { createHash } from 'node:crypto';
import { constants, createReadStream } from 'node:fs';
import { copyFile, link, mkdir } from 'node:fs/promises';
import { dirname } from 'node:path';

/** Names within a backup. */
export const DATABASE = 'holvek.sqlite';
export const MANIFEST = 'backup.json';
export const PICTURES = 'pictures';

/** SHA-256 of a file, read piece by piece. */
export async function digestOfFile(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const piece of createReadStream(path)) hash.update(piece as Buffer);
  return hash.digest('hex');
}

/**
 * Puts a file that never changes where it is wanted too: by a second name for it, which takes no room, or by a
 * copy where the disk is another.
 */
export async function alsoAt(from: string, to: string): Promise<void> {
  await mkdir(dirname(to), { recursive: true, mode: 0o700 });
  try {
    await link(from, to);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return;
    await copyFile(from, to, constants.COPYFILE_FICLONE);
  }
}

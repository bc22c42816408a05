import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inOwnProcess } from '../own-process';

/** An archive that was made to be handed over, and how it is let go of afterwards. */
export type MadeArchive = { readonly file: string; readonly letGo: () => Promise<void> };

/** Makes the archive of a house in a process of its own. @throws with what it said, where it came to nothing */
export const archiveApart =
  (file: string, fontFolder: string) => async (): Promise<MadeArchive> => {
    const folder = await mkdtemp(join(tmpdir(), 'holvek-handed-'));
    const letGo = () => rm(folder, { recursive: true, force: true });
    const to = join(folder, 'house.zip');
    try {
      await inOwnProcess('archive', { file, to, fontFolder, now: Date.now() });
    } catch (error) {
      await letGo();
      throw error;
    }
    return { file: to, letGo };
  };

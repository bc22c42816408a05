import { inOwnProcess } from '../own-process';
import type { BackupJob } from './take';

/** Makes a backup in a process of its own. @throws with what it said, where it came to nothing */
export const takeApart = (job: BackupJob): Promise<string> => inOwnProcess('backup', job);

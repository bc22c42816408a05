import { backupFolderOf } from '../packages/server/src/backup/take';
import { examine } from '../packages/server/src/doctor/doctor';

const { DATA = 'data/register.sqlite', BACKUPS } = process.env;
const backups = BACKUPS === undefined || BACKUPS === 'off' ? backupFolderOf(DATA) : BACKUPS;

/** Looks through a house and says what to do; ends with 1 where anything is not well. DATA and BACKUPS as for the server. */
examine({ file: DATA, backups, now: Date.now() }).then((findings) => {
  for (const { what, isWell, say, todo } of findings)
    console.log(`${isWell ? 'well' : 'ILL '}  ${what}: ${say}${todo ? `\n      ${todo}` : ''}`);
  process.exitCode = findings.every(({ isWell }) => isWell) ? 0 : 1;
}, fail);

function fail(error: unknown): void {
  console.error(error);
  process.exitCode = 1;
}

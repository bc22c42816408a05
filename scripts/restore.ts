import { NotRestored, restoreBackup } from '../packages/server/src/backup/restore';
import { AlreadyServed } from '../packages/server/src/db/one-server';

const usage = `npm run restore -- FOLDER

FOLDER  a backup, such as data/register-backups/2026-11-27T03-00-00-000Z-daily
DATA    the database that the server is started with (data/register.sqlite where it is not said)

Stop the server first. What stands there now is moved aside, never thrown away.`;

const { DATA = 'data/register.sqlite' } = process.env;
const from = process.argv.at(2);

/** Puts a backup where the server serves from; ends with 1, everything as it was, where it does not hold. */
async function main(folder: string): Promise<void> {
  const { aside, sheets, atMs, hasKey } = await restoreBackup(folder, DATA, Date.now());
  console.log(
    `${DATA} is as it was on ${new Date(atMs).toISOString()}: ${sheets} sheets, looked through.`,
  );
  if (aside !== undefined) console.log(`What stood there before is ${aside}`);
  if (!hasKey)
    console.log(
      'The key of the house is not there: what is signed from now on is signed by a new one.',
    );
}

if (from === undefined) {
  console.error(usage);
  process.exitCode = 2;
} else
  main(from).catch((error: unknown) => {
    const isSaid = error instanceof NotRestored || error instanceof AlreadyServed;
    console.error(isSaid ? error.message : error);
    process.exitCode = 1;
  });

import { NotTakenIn, takeIn } from '../packages/server/src/archive/take-in';
import { AlreadyServed } from '../packages/server/src/db/one-server';

const usage = `npm run take-in -- FILE.zip

FILE  an archive that was made by npm run archive
DATA  the database that the server is started with (data/register.sqlite where it is not said)

Only where there is nothing yet. Stop the server first; when it is started again it prints a code by which an owner
comes in: by the short name that he has in the record, with a new PIN.`;

const { DATA = 'data/register.sqlite' } = process.env;
const from = process.argv.at(2);

/** Ends with 1, everything as it was, where the archive does not hold. */
async function main(archive: string): Promise<void> {
  const { counts, aside } = await takeIn(archive, DATA, Date.now());
  const { valves = 0, sheets = 0, events = 0 } = counts;
  console.log(
    `${DATA} holds ${valves} valves, ${sheets} sheets and ${events} entries, looked through.`,
  );
  if (aside !== undefined) console.log(`What stood there before is ${aside}`);
}

if (from === undefined) {
  console.error(usage);
  process.exitCode = 2;
} else
  main(from).catch((error: unknown) => {
    const isSaid = error instanceof NotTakenIn || error instanceof AlreadyServed;
    console.error(isSaid ? error.message : error);
    process.exitCode = 1;
  });

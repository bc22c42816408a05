import { join } from 'node:path';
import { writeArchive } from '../packages/server/src/archive/write';
import { fontsIn } from '../packages/server/src/sheet/fonts';

const usage = `npm run archive -- FILE.zip

FILE  where the archive goes
DATA  the database that the server is started with (data/register.sqlite where it is not said)

The whole record in open formats: tables as JSON lines, CSV, sheets as PDF, photos, public keys. The server may run.`;

const { DATA = 'data/register.sqlite' } = process.env;
const to = process.argv.at(2);
const fonts = fontsIn(join(process.cwd(), 'node_modules/@expo-google-fonts'));

if (to === undefined) {
  console.error(usage);
  process.exitCode = 2;
} else {
  const {
    counts,
    files,
    missing_pictures: missing,
  } = await writeArchive({ file: DATA, to, fonts, now: Date.now() });
  const { valves = 0, sheets = 0, events = 0 } = counts;
  console.log(
    `${to}: ${valves} valves, ${sheets} sheets, ${events} entries, in ${files.length} files.`,
  );
  if (missing.length > 0)
    console.log(
      `Of ${missing.length} photos the file is missing beside the database; their words are there.`,
    );
}

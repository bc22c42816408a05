import {
  checkFile,
  checkWith,
  faultWords,
  fileErrorWords,
  fileTakenWords,
  keyNameOf,
  noteWords,
  readHead,
  takenFrom,
  takenWords,
  type CheckedFile,
  type Verified,
  type VerifyOptions,
} from '@holvek/core';
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';

const usage = `npm run verify -- FILE… [--key NAME] [--head SEQ-HASH] [--log FILE]

FILE   an exported record (evidence.json) or one sheet (….json); no server is asked
--key  name of the key that may have signed, as /api/keys and the paper show it; may be given again
--head a line of the log that was seen: the paper and every phone show it
--log  a file of a logger, to be held against what the records say was taken from it; may be given again`;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    key: { type: 'string', multiple: true },
    head: { type: 'string' },
    log: { type: 'string', multiple: true },
  },
});

/** Checks exported files from their bytes alone and says in words what is wrong; ends with 1 where anything is. */
async function main(): Promise<number> {
  const head = values.head === undefined ? undefined : readHead(values.head);
  if (positionals.length === 0 || (values.head !== undefined && !head)) {
    console.error(usage);
    return 2;
  }
  const options: VerifyOptions = {
    check: checkWith(globalThis.crypto.subtle),
    ...(values.key ? { trusted: values.key } : {}),
    ...(head ? { head } : {}),
  };
  let isSound = true;
  for (const file of positionals) isSound = (await verifyFile(file, options)) && isSound;
  return isSound ? 0 : 1;
}

async function verifyFile(file: string, options: VerifyOptions): Promise<boolean> {
  const bytes = bytesOf(file);
  if (!bytes) return false;
  const checked = await checkFile(bytes.toString('utf8'), options);
  if (!checked.ok) {
    console.error(`${file}: ${fileErrorWords(checked.error)} Nothing could be checked.`);
    return false;
  }
  const { kind, result, keys } = checked.value;
  print(file, result);
  const areTaken = logsHeld(checked.value);
  if (!options.trusted) for (const key of keys) console.log(`  signed by ${keyNameOf(key)}`);
  if (kind === 'sheet')
    console.log('  one sheet by itself: whether others were dropped, only the whole record tells');
  return result.faults.length === 0 && areTaken;
}

/** What stands in a file; where it cannot be read, that is said. */
function bytesOf(file: string): Buffer | undefined {
  try {
    return readFileSync(file);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    console.error(`${file}: ${code === 'ENOENT' ? 'there is no such file' : 'it cannot be read'}.`);
    return undefined;
  }
}

/** Holds the files of loggers against what a record took from them. */
function logsHeld(checked: CheckedFile): boolean {
  for (const { tag, ...taken } of checked.taken) console.log(`  ${tag}, ${fileTakenWords(taken)}`);
  const held = (values.log ?? []).map((log) => {
    const bytes = bytesOf(log);
    if (!bytes) return false;
    const found = takenFrom(bytes, checked);
    console.log(`  ${log}: ${takenWords(found)}`);
    return found.length > 0;
  });
  return held.every(Boolean);
}

function print(file: string, { faults, notes, sheets, entries, lines }: Verified): void {
  const counts = `${sheets} sheets, ${entries} entries, ${lines} lines of the log`;
  console.log(`${file}: ${faults.length === 0 ? 'holds' : 'DOES NOT HOLD'} (${counts})`);
  for (const fault of faults) console.log(`  ✗ ${faultWords(fault)}`);
  for (const note of notes) console.log(`  · ${noteWords(note)}`);
}

process.exitCode = await main();

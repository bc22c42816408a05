import { makeKey, signerOf, type Signer } from '@holvek/core';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const { subtle } = globalThis.crypto;

/** The file of a house’s key, in a folder of its own beside its database. */
export const keyFileOf = (databaseFile: string): string =>
  join(dirname(databaseFile), 'keys', 'server-key.json');

/**
 * The key that signs what is filed: made at the first start, kept beside the database for its owner
 * alone. One that cannot be read is never replaced: what it has signed would be unknown afterwards.
 *
 * @throws where the file is there and is no key
 */
export async function openSigner(databaseFile: string): Promise<Signer> {
  if (databaseFile === ':memory:') return signerOf(subtle, await makeKey(subtle));
  const file = keyFileOf(databaseFile);
  const known = readKey(file);
  if (known !== undefined) return signerOf(subtle, known);
  const made = await makeKey(subtle);
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  writeFileSync(file, JSON.stringify(made), { mode: 0o600, flag: 'wx' });
  return signerOf(subtle, made);
}

function readKey(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw new Error(`${file} is no key: put the right one back, it is not replaced`, {
      cause: error,
    });
  }
}

import type { KeySignature } from '@holvek/core';
import { refusalWords } from '@/words/trouble';
import { Refusal } from '@/data/api';
import { deviceKey } from '@/data/device-key';
import { deviceDb } from '@/data/store';

/** Nothing can be signed here: the browser gives keys to a secure page only. */
class NoKey extends Error {}

/** The signature of this device over a digest. @throws NoKey where it has none */
export async function signHere(digest: string): Promise<KeySignature> {
  const signer = await deviceKey(await deviceDb);
  if (!signer) throw new NoKey();
  return { key: signer.publicKey, signature: await signer.sign(digest) };
}

/** Why nothing was signed, or not taken. */
export function signTrouble(error: Error): string {
  if (error instanceof NoKey)
    return 'This page is not reached over a secure connection: nothing can be signed here.';
  return error instanceof Refusal
    ? refusalWords(error.code)
    : 'The server cannot be reached. Nothing was changed.';
}

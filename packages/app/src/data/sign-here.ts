import type { KeySignature } from '@holvek/core';
import { deviceKey } from './device-key';
import { deviceDb } from './store';

/** Nothing can be signed here: the browser gives keys to a secure page only. */
export class NoKey extends Error {}

/** The signature of this device over a digest; nothing where it has no key. */
export async function signHere(digest: string): Promise<KeySignature | undefined> {
  const signer = await deviceKey(await deviceDb);
  return signer && { key: signer.publicKey, signature: await signer.sign(digest) };
}

import { checkWith, keyNameOf, proofDigest, type SignIn } from '@holvek/core';
import { Problem } from '../http/problem';
import type { Tables } from '../db/tables';
import type { Challenges } from './challenges';
import type { Place } from './sessions';

const check = checkWith(globalThis.crypto.subtle);

/** Names of the keys that a device is known by; none once it was taken from everybody. */
async function keysOf(tables: Tables, device: string): Promise<readonly string[]> {
  const rows = await tables.sessions.findAll({ where: { device, revoked: 0 }, raw: true });
  return rows.flatMap(({ key }) => (key === null ? [] : [key]));
}

/**
 * Where somebody signs in, its key proved: who knows the name of another’s phone, or its public key, cannot
 * come in as that phone.
 *
 * @throws Problem 401 where the proof does not hold, 409 where the device is known by another key
 */
export async function provedPlace(
  tables: Tables,
  { device, called = '', proof }: Pick<SignIn, 'device' | 'called' | 'proof'>,
  challenges: Challenges,
): Promise<Place> {
  if (proof) {
    const { challenge, key, signature } = proof;
    const isFresh = challenges.take(challenge);
    if (!isFresh || !(await check(key, proofDigest(challenge, device), signature)))
      throw new Problem(401, 'device.not_proved');
  }
  const known = await keysOf(tables, device);
  if (known.length > 0 && !(proof && known.includes(keyNameOf(proof.key))))
    throw new Problem(409, 'device.other_key');
  return { device, called, key: proof?.key };
}

import {
  deviceSigner,
  makeDeviceKey,
  type DeviceKey,
  type Signer,
  type Subtle,
} from '@holvek/core';
import type { DeviceDb } from './device-db';

const KEY = 'device_key';

/**
 * The key that this device signs with: made at its first use and kept with what else it keeps. Its private
 * part can be used here and read by nobody.
 *
 * @param subtle  undefined where the page is not in a secure context
 * @returns undefined there: nothing can be signed
 */
export async function deviceKey(
  db: DeviceDb,
  subtle: Subtle | undefined = (globalThis.crypto as { subtle?: Subtle }).subtle,
): Promise<Signer | undefined> {
  if (!subtle) return undefined;
  const known = (await db.get('cache', KEY)) as DeviceKey | undefined;
  if (known) return deviceSigner(subtle, known);
  const made = await makeDeviceKey(subtle);
  await db.put('cache', made, KEY);
  return deviceSigner(subtle, made);
}

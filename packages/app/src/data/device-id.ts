import type { DeviceDb } from './device-db';
import { newId } from './new-id';

const DEVICE = 'device';

/** What this device calls itself in its entries, and when somebody signs in on it: made once, kept with them. */
export async function deviceId(db: DeviceDb): Promise<string> {
  const known = await db.get('cache', DEVICE);
  if (typeof known === 'string') return known;
  const made = newId();
  await db.put('cache', made, DEVICE);
  return made;
}

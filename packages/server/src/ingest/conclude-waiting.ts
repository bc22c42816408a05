import type { Store } from '../db/open';
import { conclude } from './conclude';

/**
 * Looks again at every run that is signed and was not filed: where an older version of this house came to another
 * sheet than the phone, the one that starts now may come to the same. Each by itself; one that fails
 * stays as it is.
 *
 * @returns how many have been filed
 */
export async function concludeWaiting(
  store: Store,
  tell: (error: unknown) => void = () => undefined,
): Promise<number> {
  const waiting = await store.tables.runs.findAll({ where: { status: 'signing' }, raw: true });
  let filed = 0;
  for (const { id } of waiting) {
    try {
      const done = await store.write((tables) => conclude(tables, store.signer, id));
      if (done.sheetId !== undefined) filed += 1;
    } catch (error) {
      tell(error);
    }
  }
  return filed;
}

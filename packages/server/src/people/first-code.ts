import { randomInt } from 'node:crypto';
import type { Store } from '../db/open';

/** No letter that is taken for another or for a figure. */
const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** Three groups of four, to be read off one screen and typed on another. */
const makeFirstCode = (): string =>
  Array.from({ length: 3 }, () =>
    Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join(''),
  ).join('-');

/**
 * What the first owner types; nothing where a house has anybody.
 *
 * @param said  the code that whoever starts the server has chosen, if he has
 */
export const firstCodeOf = async (
  { tables }: Store,
  said?: string,
): Promise<{ readonly firstCode?: string }> =>
  (await tables.people.count()) > 0 ? {} : { firstCode: said ?? makeFirstCode() };

import { randomInt } from 'node:crypto';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';
import { peopleOf } from './sessions';

/** No letter that is taken for another or for a figure. */
const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** Three groups of four, to be read off one screen and typed on another. */
const makeFirstCode = (): string =>
  Array.from({ length: 3 }, () =>
    Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join(''),
  ).join('-');

/**
 * Whether an owner can come in. After a record was taken in from elsewhere there may be people, and none that has a
 * secret here.
 */
export async function hasOwner(tables: Tables): Promise<boolean> {
  const secrets = await tables.secrets.findAll({ attributes: ['person_id'], raw: true });
  const known = new Set(secrets.map(({ person_id: id }) => id));
  const people = await peopleOf(tables);
  return people.some(
    ({ id, role, left_on: left }) => role === 'owner' && left === undefined && known.has(id),
  );
}

/**
 * What the first owner types; nothing where an owner can come in.
 *
 * @param said  the code that whoever starts the server has chosen, if he has
 */
export const firstCodeOf = async (
  { tables }: Store,
  said?: string,
): Promise<{ readonly firstCode?: string }> =>
  (await hasOwner(tables)) ? {} : { firstCode: said ?? makeFirstCode() };

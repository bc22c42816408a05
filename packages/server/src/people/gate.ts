import { may, whoMay, type HouseAction } from '@holvek/core';
import type { Context, MiddlewareHandler } from 'hono';
import { getCookie } from 'hono/cookie';
import { Problem } from '../http/problem';
import type { Doorkeeper, SignedIn } from './sessions';

export const COOKIE = 'holvek_session';

/** Two houses on one machine differ by their port, which a cookie does not: it is in its name. */
export const cookieName = (c: Context): string =>
  COOKIE + (/:(\d+)$/u.exec(c.req.header('host') ?? '')?.[1] ?? '');

/** What is open to everybody: whether it lives, who one is, how its files look, and its public keys. */
const open: readonly (readonly [method: string, path: RegExp])[] = [
  ['GET', /^\/health$/u],
  ['GET', /^\/openapi\.json$/u],
  ['GET', /^\/schemas\/[\w.]+$/u],
  ['GET', /^\/keys$/u],
  // Its address is its key.
  ['GET', /^\/calendars\/[\w-]+\.ics$/u],
  ['GET', /^\/client\/[\w-]{43}(?:\/[\w-]+\.(?:pdf|json))?$/u],
  ['POST', /^\/client\/[\w-]{43}\/received$/u],
  ['GET', /^\/session$/u],
  ['POST', /^\/session$/u],
  ['DELETE', /^\/session$/u],
  ['POST', /^\/first-owner$/u],
  // Its route asks who it is, once the house has an owner.
  ['POST', /^\/larkhollow$/u],
];

/** What each way of changing something asks of a role; where more depends on what is changed, its route says so. */
const changes: readonly (readonly [method: string, path: RegExp, action: HouseAction])[] = [
  ['POST', /^\/runs\/[^/]+\/events$/u, 'practise'],
  ['POST', /^\/sheets\/[^/]+\/revisions$/u, 'revise'],
  ['POST', /^\/sheets\/[^/]+\/countersigns$/u, 'countersign'],
  ['PUT', /^\/countersign-rules$/u, 'change_rules'],
  ['PUT', /^\/valves\/[^/]+$/u, 'add_to_register'],
  ['POST', /^\/valves\/import$/u, 'import'],
  ['PUT', /^\/repairs\/[^/]+$/u, 'note_repair'],
  ['PUT', /^\/notices\/[^/]+$/u, 'leave_notice'],
  ['PUT', /^\/photos\/[^/]+$/u, 'photograph'],
  ['PUT', /^\/pictures\/[^/]+$/u, 'photograph'],
  ['PUT', /^\/gauges\/[^/]+$/u, 'keep_gauges'],
  ['PUT', /^\/rounds\/[^/]+$/u, 'plan_round'],
  ['PUT', /^\/seasons\/[^/]+$/u, 'plan_season'],
  ['POST', /^\/feeds$/u, 'look'],
  ['POST', /^\/client-links$/u, 'hand_out'],
  ['DELETE', /^\/client-links\/[^/]+$/u, 'hand_out'],
  ['DELETE', /^\/feeds\/[^/]+$/u, 'look'],
  ['PUT', /^\/systems\/[^/]+$/u, 'change_ladder'],
  ['PUT', /^\/sites\/[^/]+$/u, 'change_place'],
  ['PUT', /^\/house-rules$/u, 'change_rules'],
  ['POST', /^\/backups$/u, 'keep_house'],
  ['PUT', /^\/people\/[^/]+$/u, 'invite'],
  ['PUT', /^\/people-rules$/u, 'invite'],
  ['PUT', /^\/session\/secret$/u, 'look'],
  ['DELETE', /^\/sessions\/[^/]+$/u, 'look'],
];

/** What a request asks of the one who makes it; undefined for what nobody may. */
export function actionOf(method: string, path: string): HouseAction | 'open' | undefined {
  const is = ([verb, where]: readonly [string, RegExp, ...unknown[]]) =>
    verb === method && where.test(path);
  if (open.some(is)) return 'open';
  return method === 'GET' || method === 'HEAD' ? 'look' : changes.find(is)?.[2];
}

const key = 'signedIn';

/** Who makes a request, where that is known: what is open asks nobody. */
export const whoIsHere = (c: Context): SignedIn | undefined => c.get(key as never);

/** Who makes a request. @throws Problem 401 where nobody has signed in */
export function signedIn(c: Context): SignedIn {
  const known = whoIsHere(c);
  if (!known) throw new Problem(401, 'person.not_signed_in');
  return known;
}

/** @throws Problem 403, with the role that may, where the one who asks may not */
export function mustBeAllowed(c: Context, action: HouseAction): void {
  const { role } = signedIn(c).person;
  if (!may(role, action))
    throw new Problem(403, 'person.may_not', { action, needs: whoMay(action) });
}

/** Lets nobody through to what is not open who has not signed in, or who may not do it. */
export const gate =
  (doorkeeper: Doorkeeper): MiddlewareHandler =>
  async (c, next) => {
    const token = getCookie(c, cookieName(c));
    const known = token === undefined ? undefined : await doorkeeper.whose(token);
    if (known) c.set(key as never, known as never);
    const action = actionOf(c.req.method, c.req.path.replace(/^\/api/u, ''));
    if (action !== 'open') {
      signedIn(c);
      if (action === undefined) throw new Problem(404, 'request.no_such_path');
      mustBeAllowed(c, action);
    }
    return next();
  };

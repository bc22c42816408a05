import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context, MiddlewareHandler } from 'hono';
import { isIP } from 'node:net';

const KEY = 'address';

/** An IPv4 address is one, also where it comes dressed as IPv6. */
const plain = (address: string): string => address.trim().replace(/^::ffff:(?=\d)/iu, '');

/**
 * Who asks, seen through the proxies that are trusted: the last address in the chain that is none of theirs. What
 * anybody else says of himself is not believed.
 *
 * @param remote     who holds the connection
 * @param forwarded  X-Forwarded-For: who asked, then each proxy but the last
 *
 * @example
 * clientAddress('127.0.0.1', '9.9.9.9, 10.0.0.7', new Set(['127.0.0.1'])) // '10.0.0.7'
 */
export function clientAddress(
  remote: string,
  forwarded: string | undefined,
  trusted: ReadonlySet<string>,
): string {
  let client = plain(remote);
  const chain = (forwarded ?? '').split(',').map(plain).toReversed();
  for (const before of chain) {
    if (!trusted.has(client) || isIP(before) === 0) break;
    client = before;
  }
  return client;
}

/** Says of each request who asks. @param proxies  addresses of those that stand before this server */
export function knowAddress(proxies: readonly string[]): MiddlewareHandler {
  const trusted = new Set(proxies.map(plain));
  return async (c, next) => {
    c.set(
      KEY as never,
      clientAddress(remoteOf(c), c.req.header('x-forwarded-for'), trusted) as never,
    );
    return next();
  };
}

/** The address that a request came from; one for all where there is none, as within a test. */
export const addressOf = (c: Context): string =>
  (c.get(KEY as never) as string | undefined) ?? remoteOf(c);

function remoteOf(c: Context): string {
  try {
    return getConnInfo(c).remote.address ?? 'unknown';
  } catch {
    return 'unknown';
  }
}

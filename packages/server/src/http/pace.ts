import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context } from 'hono';
import { rateLimiter } from 'hono-rate-limiter';
import { problemBody } from './problem';

const WINDOW_MS = 60_000;

/** A hundred a second from one address: more than a crew behind one router asks for. */
export const REQUESTS_A_MINUTE = 6000;

/** The address that a request came from; one for all where there is none, as within a test. */
export function addressOf(c: Context): string {
  try {
    return getConnInfo(c).remote.address ?? 'unknown';
  } catch {
    return 'unknown';
  }
}

/** Bounds what one address may ask for; phones that are told so keep everything and try again. */
export const pace = (perMinute: number) =>
  rateLimiter({
    windowMs: WINDOW_MS,
    limit: perMinute,
    standardHeaders: 'draft-6',
    keyGenerator: addressOf,
    handler: (c) => c.json(problemBody({ code: 'request.too_often' }), 429),
  });

import { rateLimiter } from 'hono-rate-limiter';
import { addressOf } from './address';
import { problemBody } from './problem';

const WINDOW_MS = 60_000;

/** A hundred a second from one address: more than a crew behind one router asks for. */
export const REQUESTS_A_MINUTE = 6000;

/** Bounds what one address may ask for; phones that are told so keep everything and try again. */
export const pace = (perMinute: number) =>
  rateLimiter({
    windowMs: WINDOW_MS,
    limit: perMinute,
    standardHeaders: 'draft-6',
    keyGenerator: addressOf,
    handler: (c) => c.json(problemBody({ code: 'request.too_often' }), 429),
  });

import type { MiddlewareHandler } from 'hono';
import { matchedRoutes } from 'hono/route';
import type { RequestIdVariables } from 'hono/request-id';
import type { RequestLine } from './diary';

/** Tells of every request how it was answered: by its route, never by who asked or for what. */
export const watch =
  (told: (line: RequestLine) => void): MiddlewareHandler<{ Variables: RequestIdVariables }> =>
  async (c, next) => {
    const began = performance.now();
    await next();
    told({
      id: c.get('requestId'),
      method: c.req.method,
      // What stands for anything is passed by every request.
      route: matchedRoutes(c).findLast(({ path }) => !path.includes('*'))?.path ?? 'other',
      status: c.res.status,
      ms: Math.round(performance.now() - began),
    });
  };

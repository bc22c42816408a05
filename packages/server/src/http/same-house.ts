import type { MiddlewareHandler } from 'hono';
import { problemBody } from './problem';

const nameOf = (host: string): string => host.replace(/:\d+$/u, '').toLowerCase();

/**
 * Answers only when called by one of its own names, so that no foreign name can be bound to it, and
 * lets no page of another house write or open a line: `Origin`, where a browser sends it, must be the
 * very host that was called.
 */
export function sameHouse(names: readonly string[]): MiddlewareHandler {
  const own = new Set(names);
  return async (c, next) => {
    const host = c.req.header('host') ?? '';
    if (!own.has(nameOf(host)))
      return c.json(problemBody({ code: 'request.foreign_host', detail: { host } }), 421);
    const origin = c.req.header('origin');
    const changes = c.req.method !== 'GET' && c.req.method !== 'HEAD';
    const opensLine = c.req.header('upgrade') !== undefined;
    if (origin !== undefined && (changes || opensLine) && hostOf(origin) !== host.toLowerCase())
      return c.json(problemBody({ code: 'request.foreign_origin', detail: { origin } }), 403);
    return next();
  };
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}

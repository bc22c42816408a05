import type { MiddlewareHandler } from 'hono';
import { problemBody } from './problem';

/** A control character, written out or by its code: no id and no name here has one, and SQL ends at a NUL. */
const CONTROL = /%(?:[01][0-9a-f]|7f)|\p{Cc}/iu;

/** Asks for nothing by a name that cannot be one. */
export const plainPath = (): MiddlewareHandler => (c, next) =>
  CONTROL.test(c.req.path) || CONTROL.test(new URL(c.req.url).search)
    ? Promise.resolve(c.json(problemBody({ code: 'request.unreadable' }), 400))
    : next();

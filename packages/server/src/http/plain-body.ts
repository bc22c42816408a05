import type { MiddlewareHandler } from 'hono';
import { problemBody } from './problem';

/**
 * What is written out as a code in JSON, but for a tab, a new line and the return before it. Others stand
 * in no text of ours: SQL ends at a NUL, and terminals and printers obey the rest.
 */
const CONTROL =
  /(?<!\\)(?:\\\\)*\\(?:[bf]|u00(?:0[0-8bcef]|1[0-9a-f]|7f|[89][0-9a-f]))|[\u007f-\u009f]/iu;

/** Takes no text with a character that nobody can see. */
export const plainBody = (): MiddlewareHandler => async (c, next) => {
  const isJson = c.req.header('content-type')?.includes('json') ?? false;
  if (c.req.method === 'GET' || !isJson || !CONTROL.test(await c.req.text())) return next();
  return c.json(problemBody({ code: 'request.control_characters' }), 400);
};

import { OpenAPIHono } from '@hono/zod-openapi';
import { problemBody } from './problem';

/** A router whose validation failures answer 400 with every wrong field named. */
export const newRouter = () =>
  new OpenAPIHono({
    defaultHook: (result, c) => {
      if (result.success) return undefined;
      const fields = result.error.issues.slice(0, 20).map(({ path, code, message }) => ({
        path: path.join('.'),
        code,
        message,
      }));
      return c.json(problemBody({ code: 'request.invalid', detail: fields }), 400);
    },
  });

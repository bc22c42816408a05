import { createRoute, type z } from '@hono/zod-openapi';
import { refusals } from './problem';

/** A JSON GET. */
export const getRoute = <P extends string, R extends z.ZodType>(
  path: P,
  summary: string,
  response: R,
) =>
  createRoute({
    method: 'get',
    path,
    summary,
    responses: {
      200: { description: summary, content: { 'application/json': { schema: response } } },
      ...refusals,
    },
  });

/** A JSON PUT or POST with a checked body. */
export const sendRoute = <
  M extends 'put' | 'post',
  P extends string,
  B extends z.ZodType,
  R extends z.ZodType,
>(
  method: M,
  path: P,
  summary: string,
  schemas: { readonly body: B; readonly response: R },
) =>
  createRoute({
    method,
    path,
    summary,
    request: {
      body: { required: true, content: { 'application/json': { schema: schemas.body } } },
    },
    responses: {
      200: { description: summary, content: { 'application/json': { schema: schemas.response } } },
      ...refusals,
    },
  });

import type { ContentfulStatusCode } from 'hono/utils/http-status';
import { problemSchema } from '@holvek/core';

/** An expected refusal on its way out of a route. */
export class Problem extends Error {
  constructor(
    readonly status: ContentfulStatusCode,
    readonly code: string,
    readonly detail?: unknown,
  ) {
    super(code);
  }
}

export const notFound = (what: string, id: string) => new Problem(404, `${what}.not_found`, { id });

export const problemBody = ({ code, detail }: Pick<Problem, 'code' | 'detail'>) => ({
  error: detail === undefined ? { code } : { code, detail },
});

const json = (description: string) => ({
  description,
  content: { 'application/json': { schema: problemSchema } },
});

/** The refusals that any route may answer with, for its OpenAPI entry. */
export const refusals = {
  400: json('The request cannot be read'),
  404: json('No such thing'),
  409: json('It clashes with what is stored'),
  412: json('It was changed meanwhile: what it is now'),
  422: json('It can be read but not accepted'),
} as const;

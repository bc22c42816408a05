import { createRoute, z } from '@hono/zod-openapi';
import { larkhollowSchema } from '@holvek/core';
import type { Store } from '../db/open';
import { Problem, refusals } from '../http/problem';
import { newRouter } from '../http/router';
import type { LarkhollowBeside } from '../larkhollow/beside';
import { hasOwner } from '../people/first-code';
import { mustBeAllowed } from '../people/gate';

const openIt = createRoute({
  method: 'post',
  path: '/larkhollow',
  summary: 'Open a Larkhollow to look at, beside this house',
  request: { body: { content: { 'application/json': { schema: z.object({}) } } } },
  responses: {
    200: {
      description: 'Where it is',
      content: { 'application/json': { schema: larkhollowSchema } },
    },
    ...refusals,
  },
});

/** A demo beside a house: to anybody while the house has no owner, then to who belongs to it. */
export const larkhollowRoutes = (
  { tables }: Store,
  beside: Pick<LarkhollowBeside, 'open'> | undefined,
) =>
  newRouter().openapi(openIt, async (c) => {
    if (!beside) throw new Problem(422, 'larkhollow.off');
    if (await hasOwner(tables)) mustBeAllowed(c, 'look');
    return c.json({ port: await beside.open() }, 200);
  });

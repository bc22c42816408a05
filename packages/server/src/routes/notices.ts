import { z } from '@hono/zod-openapi';
import { noticeSchema } from '@holvek/core';
import type { Store } from '../db/open';
import { Problem } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute, sendRoute } from '../http/route';
import { changeOf, documentsOf, sameId } from './documents';

/** Words that are left on valves for whoever comes next. */
export function noticeRoutes(store: Store) {
  const notices = documentsOf(store, 'notices', noticeSchema);
  return newRouter()
    .openapi(getRoute('/notices', 'Every notice', z.array(noticeSchema)), async (c) =>
      c.json(await notices.all(), 200),
    )
    .openapi(
      sendRoute('put', '/notices/{id}', 'Leave a notice on a valve, or take it down', {
        body: noticeSchema,
        response: noticeSchema,
      }),
      async (c) => {
        const notice = c.req.valid('json');
        sameId(c.req.param('id'), notice);
        if (!(await store.tables.valves.findByPk(notice.valve_id, { raw: true })))
          throw new Problem(422, 'valve.not_found', { id: notice.valve_id });
        return c.json(await notices.put(notice, changeOf(c)), 200);
      },
    );
}

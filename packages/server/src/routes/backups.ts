import { createRoute } from '@hono/zod-openapi';
import { backupStateSchema, type BackupState } from '@holvek/core';
import type { BackupKeeper } from '../backup/keeper';
import { Problem, refusals } from '../http/problem';
import { newRouter } from '../http/router';
import { getRoute } from '../http/route';

const none: BackupState = { backups: [], is_on: false, failed: null };

const takeOne = createRoute({
  method: 'post',
  path: '/backups',
  summary: 'Make a backup now',
  responses: {
    200: {
      description: 'How the house stands with its backups',
      content: { 'application/json': { schema: backupStateSchema } },
    },
    ...refusals,
  },
});

/** Backups of the house: when the last good one was made, and making one now. */
export const backupRoutes = (keeper: BackupKeeper | undefined) =>
  newRouter()
    .openapi(
      getRoute('/backups', 'How the house stands with its backups', backupStateSchema),
      async (c) => c.json(keeper ? await keeper.state() : none, 200),
    )
    .openapi(takeOne, async (c) => {
      if (!keeper) throw new Problem(422, 'backup.off');
      await keeper.take('by_hand');
      return c.json(await keeper.state(), 200);
    });

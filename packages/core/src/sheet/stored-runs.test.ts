import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { unwrap } from '../result';
import { extendRun, reduceRun, runEventSchema, type RunEvent } from '../run';
import { hashOf } from './chain';
import { freezeSheet } from './freeze';

/** Runs as version 0.1 has stored them, with the hash of the sheet that they came to. */
const stored = z
  .array(z.object({ name: z.string(), hash: z.string(), events: z.array(runEventSchema) }))
  .parse(JSON.parse(readFileSync(join(__dirname, '../testing/stored-runs.json'), 'utf8')));

const sheetHash = (events: readonly RunEvent[]) =>
  hashOf(unwrap(freezeSheet(unwrap(reduceRun(events)), null)));

describe('runs that were stored before', () => {
  test.each(stored.map(({ name, ...rest }) => [name, rest] as const))(
    '%s freezes to the same bytes as then',
    (_, { events, hash }) => {
      expect(sheetHash(events)).toBe(hash);
      expect(sheetHash([...events].reverse())).toBe(hash);
    },
  );

  test.each(stored.map(({ name, ...rest }) => [name, rest] as const))(
    '%s comes to the same one event at a time',
    (_, { events, hash }) => {
      let run = unwrap(reduceRun(events.slice(0, 1)));
      for (const event of events.slice(1)) {
        const next = extendRun(run, event);
        if (!next) throw new Error(`${event.type} could not be added`);
        run = next;
      }
      expect(hashOf(unwrap(freezeSheet(run, null)))).toBe(hash);
    },
  );
});

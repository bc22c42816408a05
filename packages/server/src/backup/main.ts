import { backupReasons } from '@holvek/core';
import { z } from 'zod';
import { takeBackup } from './take';

/**
 * One backup in a process of its own, so that whoever is served does not wait for it: the job as JSON, its name
 * on the output. Ends with 1, and the reason, where it came to nothing.
 */
const jobSchema = z.object({
  file: z.string(),
  folder: z.string(),
  why: z.enum(backupReasons),
  now: z.number(),
});

takeBackup(jobSchema.parse(JSON.parse(process.argv[2] ?? 'null'))).then(
  (name) => console.log(name),
  (error: unknown) => {
    console.error((error as Error).message);
    process.exit(1);
  },
);

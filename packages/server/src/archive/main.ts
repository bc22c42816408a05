import { z } from 'zod';
import { fontsIn } from '../sheet/fonts';
import { writeArchive } from './write';

/** One archive in a process of its own, as a backup is made: the job as JSON. Ends with 1, and the reason. */
const jobSchema = z.object({
  file: z.string(),
  to: z.string(),
  fontFolder: z.string(),
  now: z.number(),
});

const { fontFolder, ...job } = jobSchema.parse(JSON.parse(process.argv[2] ?? 'null'));
writeArchive({ ...job, fonts: fontsIn(fontFolder) }).catch((error: unknown) => {
  console.error((error as Error).message);
  process.exit(1);
});

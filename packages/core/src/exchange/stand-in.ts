import { z } from 'zod';
import { runEventSchema } from '../run';

const id = z.number().int().min(0).max(1e9);
const most = 20_000;

/**
 * What is said to the stand-in of an electronic pilot beside the register lines: which run it stands
 * in for, what the hand does to line and valve, how fast its time goes. Each is answered with its `id`.
 */
export const standInCallSchema = z.union([
  z.object({ id, run: z.array(runEventSchema).min(1).max(most) }),
  z.object({ id, act: z.record(z.string().max(40), z.union([z.number(), z.string().max(80)])) }),
  z.object({ id, hurry: z.number().min(1).max(60) }),
]);
export type StandInCall = z.infer<typeof standInCallSchema>;

const finite = z.number();
/** What it says: that a call has taken effect at `t` s of its own time, why not, or what its gauges show. */
export const standInWordSchema = z.union([
  z.object({ id, t: finite }),
  z.object({
    id: id.nullable(),
    error: z.enum(['unreadable', 'no_run', 'not_electronic', 'run_unsound', 'too_long', 'busy']),
  }),
  z.object({
    lines: z.array(
      z.object({ role: z.enum(['inlet', 'outlet', 'travel']), line: z.string(), t: finite }),
    ),
    sight: z.object({
      wideOpen: z.boolean(),
      ventRuns: z.boolean(),
      flow: finite,
      fill: finite,
      opening: finite,
      signal: finite,
    }),
  }),
]);
export type StandInWord = z.infer<typeof standInWordSchema>;

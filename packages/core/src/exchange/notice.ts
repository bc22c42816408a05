import { z } from 'zod';

/** A word left on a valve for whoever comes next: "guns off until three". */
export const noticeSchema = z.object({
  id: z.string().min(1).max(64),
  valve_id: z.string().min(1).max(64),
  text: z.string().trim().min(3).max(400),
  by: z.string().trim().min(2).max(80),
  at_ms: z.number().int().nonnegative(),
  /** It holds until then; until it is taken down where nothing is said. */
  until_ms: z.number().int().nonnegative().optional(),
  taken_down: z.object({ by: z.string().min(2).max(80), at_ms: z.number().int() }).optional(),
});
export type Notice = z.infer<typeof noticeSchema>;

/** What hangs on a valve now, the latest first. */
export const noticesOn = (
  notices: readonly Notice[],
  valveId: string,
  now: number,
): readonly Notice[] =>
  notices
    .filter(
      ({ valve_id: id, until_ms: until = Infinity, taken_down: down }) =>
        id === valveId && down === undefined && now < until,
    )
    .sort((a, b) => b.at_ms - a.at_ms);

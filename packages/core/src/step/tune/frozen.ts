import { z } from 'zod';

const number = z.number();
const share = z.number();

/** A controller’s sweep of the band, and what its step test came to. */
export const controlSchema = z.object({
  alignment_offset: share,
  alignment_spread_pa: number,
  band_percent: number,
  reset_minutes: number,
  /** %/%, s, s; null where no test was fitted. */
  model: z.object({ gain: number, time_constant_s: number, dead_time_s: number }).nullable(),
});
export type FrozenControl = z.infer<typeof controlSchema>;

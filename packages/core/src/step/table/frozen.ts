import { z } from 'zod';

const number = z.number();

export const noFlowSchema = z.object({
  shape: z.enum(['levels', 'creeps', 'cannot_tell']),
  sure: number,
  rise_pa: number,
  allowed_pa: number,
  creep_pa_per_s: number,
  passes: z.boolean(),
});
export type FrozenNoFlow = z.infer<typeof noFlowSchema>;

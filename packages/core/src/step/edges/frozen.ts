import { z } from 'zod';

const number = z.number();

/** Edges between which a pilot lights, Pa, and how far from each it was left. */
export const edgesSchema = z.object({
  low_pa: number,
  high_pa: number,
  to_low_pa: number,
  to_high_pa: number,
  lights: z.array(z.object({ pressure_pa: number, lit: z.boolean(), weak: z.boolean() })),
});
export type FrozenEdges = z.infer<typeof edgesSchema>;

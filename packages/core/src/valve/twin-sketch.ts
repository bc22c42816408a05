import { z } from 'zod';

export const twinFaults = [
  'reversed_screw',
  'slow_main',
  'trapped_air',
  'leaking_seat',
  'weak_supply',
  'off_spring',
] as const;
export type TwinFault = (typeof twinFaults)[number];

/** What makes a valve's simulated twin unlike its plate: a seed, faults, and how it is found. */
export const twinSketchSchema = z.object({
  seed: z.number().int().min(0).max(1e9),
  faults: z.array(z.enum(twinFaults)).max(6),
  found_pa: z.number().min(0).max(1e9),
});
export type TwinSketch = z.infer<typeof twinSketchSchema>;

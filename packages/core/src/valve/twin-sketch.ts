import { z } from 'zod';

export const twinFaults = [
  'reversed_screw',
  'slow_main',
  'trapped_air',
  'leaking_seat',
  'weak_supply',
  'off_spring',
  'sticking',
  'broken_seal',
  'blocked_stem',
] as const;
export type TwinFault = (typeof twinFaults)[number];

const found = z.number().min(-1e6).max(1e9);

/** What makes a valve's simulated twin unlike its plate: a seed, faults, and how it is found. */
export const twinSketchSchema = z.object({
  seed: z.number().int().min(0).max(1e9),
  faults: z.array(z.enum(twinFaults)).max(8),
  found_pa: found,
  /** Further adjusters by their id. */
  found_others: z.record(z.string().max(40), found).optional(),
});
export type TwinSketch = z.infer<typeof twinSketchSchema>;

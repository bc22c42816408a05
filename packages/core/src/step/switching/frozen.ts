import { z } from 'zod';

const number = z.number();

/** Cycles of a switch as left, Pa. */
export const switchCyclesSchema = z.array(z.object({ cut_in_pa: number, cut_out_pa: number }));
export type FrozenSwitchCycles = z.infer<typeof switchCyclesSchema>;

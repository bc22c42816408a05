import { z } from 'zod';
import { plateOf } from '../../valve';
import { lineFluids } from '../line-fluid';

export const services = ['reducing', 'back_pressure', 'relief'] as const;
/** How a self-operated regulator is piped; its sequences are computed from it. */
export const arrangementSchema = z.object({
  service: z.enum(services),
  /** What its line carries; where nothing is said, its gauges hang level. */
  fluid: z.enum(lineFluids).optional(),
  control_line: z.boolean(),
  bypass: z.boolean(),
  /** Loaded by a spring alone, or by a supply of pressure that is bled first or last. */
  loading: z.enum(['spring', 'bled_first', 'bled_last']),
  vent_piped: z.boolean(),
});
export type Arrangement = z.infer<typeof arrangementSchema>;

export const selfOperatedPlateSchema = plateOf('self_operated', { arrangement: arrangementSchema });
export type SelfOperatedPlate = z.infer<typeof selfOperatedPlateSchema>;

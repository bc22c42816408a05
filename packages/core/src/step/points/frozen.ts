import { z } from 'zod';
import { verdicts } from '../../gauge';

const number = z.number();
const share = z.number();
/** A table of points: nominal input, output in SI, and both as shares of their spans. */
export const sheetTableSchema = z.object({
  points: z.array(
    z.object({
      at: share,
      direction: z.enum(['up', 'down']),
      output: number,
      share,
      source: z.enum(['typed', 'linked']),
    }),
  ),
  zero_error: share,
  span_error: share,
  worst_error: share,
  worst_at: share,
  hysteresis: share.nullable(),
  /** Absent where the range was gone over once, or the dead band was not looked for. */
  repeatability: share.optional(),
  dead_band: share.optional(),
  linearity_independent: share,
  linearity_terminal: share,
  linearity_zero: share,
});
export type SheetTable = z.infer<typeof sheetTableSchema>;

/** Five points as found and as left, for what is judged by them; shares of span. */
export const tablesSchema = z.object({
  tolerance: share,
  uncertainty: share,
  verdict: z.enum(verdicts),
  as_found: sheetTableSchema.nullable(),
  as_left: sheetTableSchema,
});
export type FrozenTables = z.infer<typeof tablesSchema>;

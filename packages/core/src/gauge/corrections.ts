import { z } from 'zod';

const pressure = z.number().min(-1e9).max(1e9);
/** One line of a certificate's table: what the gauge showed, and what has to be added to that. */
export const correctionSchema = z.object({ shown_pa: pressure, add_pa: pressure });
export type GaugeCorrection = z.infer<typeof correctionSchema>;

/** A table by which what a gauge shows still tells one pressure: both columns rise. */
export const correctionsSchema = z
  .array(correctionSchema)
  .min(1)
  .max(40)
  .refine(isRising, 'gauge.corrections_fold');

function isRising(table: readonly GaugeCorrection[]): boolean {
  return table.every((point, i) => {
    const before = table[i - 1];
    if (!before) return true;
    const isTrueRising = point.shown_pa + point.add_pa > before.shown_pa + before.add_pa;
    return point.shown_pa > before.shown_pa && isTrueRising;
  });
}

type Corrected = { readonly corrections?: readonly GaugeCorrection[] | undefined };

/**
 * What has to be added to what a gauge shows, by its certificate.
 *
 * @returns Pa; on straight lines between the points of the table, as at its ends beyond them; 0 without one
 * @example correctionAt({ corrections: [{ shown_pa: 0, add_pa: 0 }, { shown_pa: 100, add_pa: 4 }] }, 50) // → 2
 */
export function correctionAt({ corrections: table = [] }: Corrected, shown: number): number {
  const above = table.findIndex((point) => point.shown_pa >= shown);
  const high = table[above];
  const low = table[above - 1];
  if (!high) return table.at(-1)?.add_pa ?? 0;
  if (!low) return high.add_pa;
  const share = (shown - low.shown_pa) / (high.shown_pa - low.shown_pa);
  return low.add_pa + share * (high.add_pa - low.add_pa);
}

/**
 * What a gauge shows at a pressure: the other way round through its table.
 *
 * @returns Pa; the one figure whose correction leads back to `actual`
 * @example shownAt({ corrections: [{ shown_pa: 0, add_pa: 0 }, { shown_pa: 100, add_pa: 4 }] }, 52) // → 50
 */
export function shownAt({ corrections: table = [] }: Corrected, actual: number): number {
  const turned = table.map(({ shown_pa: shown, add_pa: add }) => ({
    shown_pa: shown + add,
    add_pa: -add,
  }));
  return actual + correctionAt({ corrections: turned }, actual);
}

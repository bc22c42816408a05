import { z } from 'zod';
import { lineFormatSchema, shippedFormats, type LineFormat } from '@holvek/core';

/** How a gauge is reached: by a cable to this device, without one, or through a bridge that runs elsewhere. */
export const reachSchema = z.object({
  by: z.enum(['cable', 'radio', 'bridge']),
  /** Of the bridge, as it was typed. */
  address: z.string().max(200),
});
export type Reach = z.infer<typeof reachSchema>;

const keyOf = (gaugeId: string): string => `holvek.line.${gaugeId}`;

/** How a gauge was spoken with last on this phone; the first way that is known where it never was. */
export function keptFormat(gaugeId: string): LineFormat {
  try {
    const kept = lineFormatSchema.safeParse(JSON.parse(localStorage.getItem(keyOf(gaugeId)) ?? ''));
    if (kept.success) return kept.data;
  } catch {
    // What cannot be read counts as none.
  }
  return shippedFormats[0]!;
}

export const keepFormat = (gaugeId: string, format: LineFormat): void =>
  keep(keyOf(gaugeId), format);

/** How a gauge was reached last on this phone; the first that it can where it never was. */
export function keptReach(gaugeId: string, first: Reach['by']): Reach {
  try {
    const text = localStorage.getItem(`${keyOf(gaugeId)}.reach`) ?? '';
    const kept = reachSchema.safeParse(JSON.parse(text));
    if (kept.success) return kept.data;
  } catch {
    // What cannot be read counts as none.
  }
  return { by: first, address: '' };
}

export const keepReach = (gaugeId: string, reach: Reach): void =>
  keep(`${keyOf(gaugeId)}.reach`, reach);

function keep(key: string, what: object): void {
  try {
    localStorage.setItem(key, JSON.stringify(what));
  } catch {
    // Storage full: it is entered again the next time.
  }
}

import { lineFormatSchema, shippedFormats, type LineFormat } from '@holvek/core';

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

export function keepFormat(gaugeId: string, format: LineFormat): void {
  try {
    localStorage.setItem(keyOf(gaugeId), JSON.stringify(format));
  } catch {
    // Storage full: it is entered again the next time.
  }
}

import type { Sheet } from '@holvek/core';
import { localDay } from '@/ui/local-day';

/** Sheets that are offered; older ones are handed out by their own page. */
const MOST = 40;

/** Records that may be handed out, the latest first; of several revisions the last. */
export function offered(sheets: readonly Sheet[]): readonly Sheet[] {
  const records = sheets.filter(({ body }) => !body.rehearsal);
  const corrected = new Set(records.map(({ body }) => body.corrects?.hash));
  return records
    .filter(({ hash }) => !corrected.has(hash))
    .sort((a, b) => b.body.signed_at_ms - a.body.signed_at_ms)
    .slice(0, MOST);
}

/** What he signed on this day is what he hands over, as a rule. */
export const signedToday = (sheets: readonly Sheet[], technician: string, day: string): string[] =>
  sheets
    .filter(({ body }) => body.technician === technician && localDay(body.signed_at_ms) === day)
    .map(({ id }) => id);

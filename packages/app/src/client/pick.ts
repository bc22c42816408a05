import type { Job, Sheet } from '@holvek/core';
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

/** What the jobs of these sheets say of their client, and of the order else the permit; empty where they differ or say nothing. */
export function toldBy(sheets: readonly Pick<Sheet, 'body'>[]): {
  readonly client: string;
  readonly order: string;
} {
  const only = (of: (job: Job) => string | undefined): string => {
    const all = new Set(sheets.map(({ body: { job } }) => (job && of(job)) ?? ''));
    return all.size === 1 ? [...all][0]! : '';
  };
  return {
    client: only(({ client }) => client),
    order: only(({ order, permit }) => order ?? permit),
  };
}

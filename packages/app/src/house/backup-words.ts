import { BACKUP_STALE_MS, type BackupReason, type BackupState } from '@holvek/core';
import { formatDistanceStrict } from 'date-fns/formatDistanceStrict';

export const reasonWords: Readonly<Record<BackupReason, string>> = {
  daily: 'made by itself',
  before_migration: 'before a new version',
  by_hand: 'asked for',
};

/** "1.3 GB", "840 kB". */
export function sizeWords(bytes: number): string {
  if (bytes >= 1e9) return `${(bytes / 1e9).toFixed(1)}\u00A0GB`;
  if (bytes >= 1e6) return `${Math.round(bytes / 1e6)}\u00A0MB`;
  return `${Math.max(1, Math.round(bytes / 1e3))}\u00A0kB`;
}

/** How a house stands with its backups, in a sentence, and whether somebody has to see to it. */
export function backupWords(
  { backups: [last], is_on: isOn, failed }: BackupState,
  now: number,
): { readonly say: string; readonly isWell: boolean } {
  if (!isOn)
    return {
      say: 'None is made here: whoever runs the server makes them another way.',
      isWell: true,
    };
  if (failed) return { say: `The last try came to nothing: ${failed.why}`, isWell: false };
  if (!last) return { say: 'None yet. The first is made within a few minutes.', isWell: true };
  const age = formatDistanceStrict(last.at_ms, now);
  return now - last.at_ms > BACKUP_STALE_MS
    ? { say: `The last good one is ${age} old. One a day should be made.`, isWell: false }
    : {
        say: `The last good one is ${age} old, restored in a scratch place and looked through.`,
        isWell: true,
      };
}

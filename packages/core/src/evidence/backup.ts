import { z } from 'zod';
import { digestSchema } from '../digest';
import { headSchema } from './log';

/** Why a backup was made. */
export const backupReasons = ['daily', 'before_migration', 'by_hand'] as const;
export type BackupReason = (typeof backupReasons)[number];

/** What a backup says of itself, in a file beside what it keeps. */
export const backupManifestSchema = z.object({
  format: z.literal('holvek.backup'),
  version: z.literal(1),
  at_ms: z.number().int().nonnegative(),
  why: z.enum(backupReasons),
  /** Changes of the database’s shape that it had. */
  migrations: z.array(z.string()),
  counts: z.object({
    valves: z.number().int(),
    sheets: z.number().int(),
    events: z.number().int(),
    photos: z.number().int(),
  }),
  /** Where the log stood. */
  head: headSchema,
  files: z.array(z.object({ name: z.string(), bytes: z.number().int(), sha256: digestSchema })),
});
export type BackupManifest = z.infer<typeof backupManifestSchema>;

/** A backup as a list shows it. */
export const backupRowSchema = z.object({
  name: z.string(),
  at_ms: z.number(),
  why: z.enum(backupReasons),
  bytes: z.number(),
  sheets: z.number(),
});
export type BackupRow = z.infer<typeof backupRowSchema>;

/** How a house stands with its backups. */
export const backupStateSchema = z.object({
  /** Latest first; none where the house makes none. */
  backups: z.array(backupRowSchema),
  /** Whether they are made by themselves. */
  is_on: z.boolean(),
  /** What the last try came to nothing by, since the last good one. */
  failed: z.object({ at_ms: z.number(), why: z.string() }).nullable(),
});
export type BackupState = z.infer<typeof backupStateSchema>;

const HOUR_MS = 3_600_000;
/** One a day is made; with less than this since the last, none is due. */
export const BACKUP_EVERY_MS = 24 * HOUR_MS;
/** Older than this, the last good one is no comfort. */
export const BACKUP_STALE_MS = 50 * HOUR_MS;

const KEPT = { daily: 7, weekly: 5, monthly: 12, beforeMigration: 3 } as const;

type Made = Pick<BackupRow, 'name' | 'at_ms' | 'why'>;

/**
 * Which backups are kept: the latest of each of the last seven days, five weeks and twelve months that have one,
 * and those before the last three changes of the database’s shape. What was made by hand stays.
 *
 * @example
 * backupsKept([{ name: 'a', at_ms: 0, why: 'daily' }]).has('a') // true
 */
export function backupsKept(made: readonly Made[]): ReadonlySet<string> {
  const latestFirst = [...made].sort((a, b) => b.at_ms - a.at_ms);
  const daily = latestFirst.filter(({ why }) => why === 'daily');
  return new Set(
    [
      ...firstOf(daily, dayOf, KEPT.daily),
      ...firstOf(daily, weekOf, KEPT.weekly),
      ...firstOf(daily, monthOf, KEPT.monthly),
      ...latestFirst.filter(({ why }) => why === 'before_migration').slice(0, KEPT.beforeMigration),
      ...latestFirst.filter(({ why }) => why === 'by_hand'),
    ].map(({ name }) => name),
  );
}

const DAY_MS = 24 * HOUR_MS;
const dayOf = ({ at_ms: at }: Made): string => new Date(at).toISOString().slice(0, 10);
const monthOf = ({ at_ms: at }: Made): string => new Date(at).toISOString().slice(0, 7);
/** Weeks begin on Monday; the first day of 1970 was a Thursday. */
const weekOf = ({ at_ms: at }: Made): string => String(Math.floor((at / DAY_MS + 3) / 7));

/** The first of each period, of as many periods as are wanted. */
function firstOf(made: readonly Made[], periodOf: (each: Made) => string, most: number): Made[] {
  const seen = new Set<string>();
  return made.filter((each) => {
    const period = periodOf(each);
    if (seen.has(period) || seen.size === most) return false;
    seen.add(period);
    return true;
  });
}

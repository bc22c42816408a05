import { z } from 'zod';
import { base64urlSchema, digestOf, digestSchema } from '../digest';

/** Something was filed, a sheet or what a second pair of eyes said of one: a line of the one log over all valves. */
export const logLineSchema = z.object({
  /** From 1, without a gap. */
  seq: z.number().int().min(1),
  valve_id: z.string(),
  /** Hash of the sheet, or digest of what was said of one. */
  sheet: digestSchema,
  at_ms: z.number(),
  /** Hash of the line before, null for the first. */
  previous: digestSchema.nullable(),
  hash: digestSchema,
  /** Name of the key that signed its hash, and the signature (raw, base64url). */
  key: digestSchema,
  signature: base64urlSchema,
});
export type LogLine = z.infer<typeof logLineSchema>;

type Said = Pick<LogLine, 'seq' | 'valve_id' | 'sheet' | 'at_ms' | 'previous'>;

/** SHA-256 of what a line says, 64 hex digits: what its signature is over. */
export const hashOfLine = ({ seq, valve_id, sheet, at_ms, previous }: Said): string =>
  digestOf({ seq, valve_id, sheet, at_ms, previous });

/** Where a log stands: whoever keeps this sees when a line was lost or changed. */
export const headSchema = z.object({ seq: z.number().int().min(0), hash: digestSchema.nullable() });
export type Head = z.infer<typeof headSchema>;

export const EMPTY_HEAD: Head = { seq: 0, hash: null };

/** A head as people write it: `17-3f2a9c04`. */
export const headWords = ({ seq, hash }: Head): string => `${seq}-${(hash ?? '').slice(0, 16)}`;

/** Reads what {@link headWords} wrote; undefined where it is none. */
export function readHead(text: string): { seq: number; starts: string } | undefined {
  const found = /^(\d+)-([0-9a-f]{0,64})$/u.exec(text.trim());
  return found ? { seq: Number(found[1]), starts: found[2]! } : undefined;
}

export type LogFault =
  | { readonly code: 'log.line_changed'; readonly seq: number }
  | { readonly code: 'log.line_missing'; readonly seq: number }
  | { readonly code: 'log.head_lost'; readonly seq: number }
  | { readonly code: 'log.head_changed'; readonly seq: number };

/**
 * Whether lines follow one another without a gap, each over the one before.
 *
 * @param lines  in order
 * @param after  where the line before the first stands; the empty log by default
 */
export function logFaults(lines: readonly LogLine[], after: Head = EMPTY_HEAD): LogFault[] {
  const faults: LogFault[] = [];
  let { seq, hash } = after;
  for (const line of lines) {
    if (line.seq !== seq + 1) faults.push({ code: 'log.line_missing', seq: seq + 1 });
    else if (line.previous !== hash || hashOfLine(line) !== line.hash)
      faults.push({ code: 'log.line_changed', seq: line.seq });
    ({ seq, hash } = line);
  }
  return faults;
}

/**
 * Whether a log still holds what was seen of it.
 *
 * @param kept   seq and (the beginning of) the hash of a line that was seen
 * @param lines  the whole log, in order
 */
export function headFault(
  kept: { readonly seq: number; readonly starts: string },
  lines: readonly LogLine[],
): LogFault | undefined {
  if (kept.seq === 0) return undefined;
  const line = lines.find(({ seq }) => seq === kept.seq);
  if (!line) return { code: 'log.head_lost', seq: kept.seq };
  return line.hash.startsWith(kept.starts)
    ? undefined
    : { code: 'log.head_changed', seq: kept.seq };
}

import { digestOf } from '../digest';
import { byOrder, type EventOf, type RunEvent, type RunEventDraft } from './event';

/** Hash of an entry: its own, or, for one of before, the digest of what it says. */
export const hashOfEntry = (event: RunEvent): string => event.hash ?? knownDigest(event);

const digests = new WeakMap<RunEvent, string>();
function knownDigest(event: RunEvent): string {
  const known = digests.get(event);
  if (known !== undefined) return known;
  const digest = digestOf(event);
  digests.set(event, digest);
  return digest;
}

/**
 * Whether an entry, as it was written, is what its hash says.
 *
 * @param digest  SHA-256 of canonical JSON, where the caller has a quicker one than the core's
 */
export const isGenuine = (entry: object, digest: typeof digestOf = digestOf): boolean => {
  const { hash, ...said } = entry as { hash?: unknown };
  return hash === digest(said);
};

/**
 * The entries that no other has seen: whoever has seen these has seen everything before them.
 *
 * @param events  of one run, in any order
 * @returns hashes in the order of their entries
 */
export function headsOf(events: readonly RunEvent[]): string[] {
  const seen = new Set(events.flatMap((event) => event.seen ?? []));
  return [...events]
    .sort(byOrder)
    .map(hashOfEntry)
    .filter((hash) => !seen.has(hash));
}

/** Who makes an entry, where and when. */
export type EntryStamp = {
  readonly id: string;
  readonly runId: string;
  readonly author: string;
  readonly device: string;
  /** Whole milliseconds since 1970. */
  readonly atMs: number;
};

/** An entry that follows everything that its author knows of the run, not yet sealed by its hash. */
export function stampEntry(
  draft: RunEventDraft,
  { id, runId, author, device, atMs }: EntryStamp,
  known: readonly RunEvent[],
): RunEvent {
  return {
    ...draft,
    id,
    run_id: runId,
    author,
    device,
    at_ms: atMs,
    lamport: 1 + known.reduce((last, { lamport }) => Math.max(last, lamport), 0),
    seen: headsOf(known),
  } as RunEvent;
}

/** The entry with its hash. */
export const sealEntry = <E extends RunEvent>(entry: E): E => {
  const { hash: _, ...said } = entry;
  return { ...entry, hash: digestOf(said) };
};

/** Digest over entries in their order: what a signature is about. */
export const entriesRoot = (events: readonly RunEvent[]): string =>
  digestOf([...events].sort(byOrder).map(hashOfEntry));

/** What the links of an entry lead back to. */
export type Past = {
  /** Entries that it has seen, itself or through others, in order. */
  readonly covered: readonly RunEvent[];
  /** Hashes that it names and that are not here. */
  readonly missing: readonly string[];
};

/** Everything that an entry has seen, as far as it is among these. */
export function pastOf({ seen = [] }: Pick<RunEvent, 'seen'>, events: readonly RunEvent[]): Past {
  const byHash = new Map(events.map((event) => [hashOfEntry(event), event]));
  const covered = new Set<RunEvent>();
  const missing = new Set<string>();
  const waiting = [...seen];
  for (let hash = waiting.pop(); hash !== undefined; hash = waiting.pop()) {
    const event = byHash.get(hash);
    if (!event) missing.add(hash);
    else if (!covered.has(event)) {
      covered.add(event);
      waiting.push(...(event.seen ?? []));
    }
  }
  return { covered: [...covered].sort(byOrder), missing: [...missing].sort() };
}

/** A signature that says what it is about. */
export const isRooted = (event: RunEvent): event is EventOf<'signed'> =>
  event.type === 'signed' && event.root !== undefined;

import { digestOf, type PublicKey } from '../digest';
import { ok, unwrap, type Result } from '../result';
import {
  foldEvent,
  reduceRun,
  entriesRoot,
  sealEntry,
  stampEntry,
  type EntryStamp,
  type EventOf,
  type Run,
  type RunEvent,
  type RunEventDraft,
} from '../run';
import { hashOf } from './chain';
import { freezeSheet, type FreezeError } from './freeze';
import type { SheetBody } from './sheet';

/** Hash of a sheet before it has a place in a chain: what its author saw, and what the server must come to. */
export const shownHash = (body: SheetBody): string => hashOf({ ...body, previous_hash: null });

/** A run with a signature under it, as it would be frozen. */
export function withSignature(run: Run, signature: EventOf<'signed'>): Run {
  const draft = { ...run };
  foldEvent(draft, signature);
  return draft;
}

/**
 * An entry that follows all that is known of its run, with its hash. A signature says besides which
 * entries it is about, and which sheet they come to.
 *
 * @param known  the run's entries on this device, in any order; none for the one that starts it
 * @errors  whatever keeps a run from being signed
 */
export function sealedEntry(
  draft: RunEventDraft,
  stamp: EntryStamp,
  known: readonly RunEvent[],
): Result<RunEvent, FreezeError> {
  return seal(stampEntry(draft, stamp, known), known);
}

function seal(entry: RunEvent, known: readonly RunEvent[]): Result<RunEvent, FreezeError> {
  const whole = withWhatItIsAbout(entry, known);
  return whole.ok ? ok(sealEntry(whole.value)) : whole;
}

/** A signature says which entries it is about and which sheet they come to; any other entry says enough. */
function withWhatItIsAbout(
  entry: RunEvent,
  known: readonly RunEvent[],
): Result<RunEvent, FreezeError> {
  if (entry.type !== 'signed') return ok(entry);
  const rooted = { ...entry, covers: known.length, root: entriesRoot(known) };
  const body = freezeSheet(withSignature(unwrap(reduceRun(known)), rooted), null);
  return body.ok ? ok({ ...rooted, sheet: shownHash(body.value) }) : body;
}

/** What the key of a device signs: who signs where and when, for which entries and which sheet. 64 hex digits. */
export const signatureDigest = ({
  run_id,
  author,
  name,
  device,
  at_ms,
  covers,
  root,
  sheet,
}: EventOf<'signed'>): string =>
  digestOf({ run_id, author, name, device: device ?? null, at_ms, covers, root, sheet });

type Key = {
  readonly publicKey: PublicKey;
  readonly sign: (text: string) => Promise<string>;
};

/**
 * The same as `sealedEntry`, a signature signed besides by the key of the device.
 *
 * @param key  undefined where the browser gives none
 * @errors  whatever keeps a run from being signed
 */
export async function signedEntry(
  draft: RunEventDraft,
  stamp: EntryStamp,
  known: readonly RunEvent[],
  key: Key | undefined,
): Promise<Result<RunEvent, FreezeError>> {
  const whole = withWhatItIsAbout(stampEntry(draft, stamp, known), known);
  if (!whole.ok) return whole;
  const entry = whole.value;
  if (entry.type !== 'signed' || !key) return ok(sealEntry(entry));
  const signature = await key.sign(signatureDigest(entry));
  return ok(sealEntry({ ...entry, device_signature: { key: key.publicKey, signature } }));
}

/**
 * Entries that one hand made one after the other, linked and sealed: what a rehearsal has made becomes
 * what a phone would have written.
 *
 * @throws where the last one signs a run that cannot be signed
 */
export function sealEntries(events: readonly RunEvent[], device = 'rehearsal'): RunEvent[] {
  const sealed: RunEvent[] = [];
  for (const event of events) {
    const last = sealed.at(-1)?.hash;
    const seen = last === undefined ? [] : [last];
    const linked = { ...event, device, seen, lamport: sealed.length + 1 };
    sealed.push(unwrap(seal(linked, sealed)));
  }
  return sealed;
}

import { canonicalJson, isGenuine, runEventSchema, type RunEvent } from '@holvek/core';
import type { Prepared } from '../db/prepared';
import { digestOnServer } from './digest';

/** An entry as it was sent, and as it is understood: its hash is over the former. */
export type Sent = { readonly event: RunEvent; readonly raw: object };
/** Why an entry did not join its run. */
export type Refused = { readonly id: string; readonly code: string; readonly detail?: unknown };

export type AtTheDoor = {
  /** Ids that are stored already, with the same words. */
  readonly known: readonly string[];
  readonly fresh: readonly Sent[];
  readonly refused: readonly Refused[];
};

/** Looks at each entry by itself: whether it is here, is of this run, and is what its hash says. */
export async function atTheDoor(
  prepared: Prepared,
  runId: string,
  batch: readonly Sent[],
): Promise<AtTheDoor> {
  const stored = await storedBodies(prepared, batch);
  const known = new Set<string>();
  const fresh = new Map<string, Sent>();
  const refused: Refused[] = [];
  for (const sent of batch) {
    const { id } = sent.event;
    const row = stored.get(id);
    if (row && row.run_id === runId && isSame(row.body, sent.event)) known.add(id);
    else if (row) refused.push({ id, code: 'event.id_taken' });
    else if (!fresh.has(id)) {
      const code = wrongInItself(runId, sent);
      if (code) refused.push({ id, code });
      else fresh.set(id, sent);
    }
  }
  return { known: [...known], fresh: [...fresh.values()], refused };
}

function wrongInItself(runId: string, { event, raw }: Sent): string | undefined {
  if (event.run_id !== runId) return 'event.other_run';
  if (!isUnderstood(raw, event)) return 'event.unknown_field';
  return event.hash !== undefined && !isGenuine(raw, digestOnServer)
    ? 'event.hash_differs'
    : undefined;
}

/** Whether nothing that was sent was left out when it was read. */
function isUnderstood(sent: unknown, read: unknown): boolean {
  if (typeof sent !== 'object' || sent === null) return true;
  if (typeof read !== 'object' || read === null) return false;
  return Object.entries(sent).every(
    ([key, value]) =>
      value === undefined ||
      (Object.hasOwn(read, key) && isUnderstood(value, read[key as keyof typeof read])),
  );
}

async function storedBodies(prepared: Prepared, batch: readonly Sent[]) {
  const rows = await prepared.all<{ id: string; run_id: string; body: string }>(
    'SELECT id, run_id, body FROM events WHERE id IN (SELECT value FROM json_each(?))',
    JSON.stringify(batch.map(({ event }) => event.id)),
  );
  return new Map(rows.map((row) => [row.id, row]));
}

/** Read anew: what a later version has added by default is in both then. */
const isSame = (body: string, event: RunEvent): boolean =>
  canonicalJson(runEventSchema.parse(JSON.parse(body))) === canonicalJson(event);

import {
  hashOfEntry,
  isPractice,
  startError,
  type EventOf,
  type Ingested,
  type RunEvent,
} from '@holvek/core';
import type { Store } from '../db/open';
import type { Tables } from '../db/tables';
import { gaugeError, registerError } from './against-register';
import { Authors, type Sender } from './author';
import { conclude } from './conclude';
import { atTheDoor, type Refused, type Sent } from './door';
import { benchOf, Judge, type Trouble } from './judge';
import { eventsOf, insertEvents, keepRefused, refusedHashes, standingOf, touchRun } from './rows';

type Sending = {
  /** The entries as they were sent. */
  readonly raws?: readonly object[];
  /** Who sends them; nobody where the house itself makes them. */
  readonly sender?: Sender;
};

/**
 * Takes a batch of entries of one run into the log. The same id twice is one entry; the order of
 * arrival does not matter; what the rules of the core do not allow is refused one by one, kept aside,
 * and named; nothing joins a run that is signed.
 */
export async function ingest(
  store: Store,
  runId: string,
  batch: readonly RunEvent[],
  { raws = batch, sender }: Sending = {},
): Promise<Ingested> {
  let judge: Judge | undefined;
  const answer = await store.write(async (tables, prepared): Promise<Ingested> => {
    const run = await standingOf(prepared, runId);
    const sent = batch.map((event, i) => ({ event, raw: raws[i]! }));
    const { known, fresh, refused: turnedAway } = await atTheDoor(prepared, runId, sent);
    if (run?.status === 'signed') return afterSigning(tables, { runId, known, fresh, turnedAway });
    judge = benchOf(store).take(runId) ?? (await judgeOf(tables, runId));
    const { accepted, refused } = await judged(tables, judge, fresh, sender);
    for (const [entry, reason] of refused) await keepRefused(tables, runId, entry, reason);
    const answer = {
      stored: [...known, ...accepted.map(({ event }) => event.id)],
      refused: [...turnedAway, ...refused.map(([, reason]) => reason)],
    };
    if (accepted.length > 0) {
      const events = accepted.map(({ event }) => event);
      await touchRun(prepared, { runId, accepted: events });
      await insertEvents(prepared, accepted);
    }
    const mayEnd =
      (accepted.length > 0 && run?.status === 'signing') ||
      accepted.some(({ event: { type } }) => type === 'signed' || type === 'abandoned');
    if (!mayEnd) return answer;
    // What a signature waits for is known without reading the run again.
    if (run?.refusal === waitsFor && judge.signatureLacks()) return { ...answer, waitsFor };
    return { ...answer, ...(await conclude(tables, store.signer, runId)) };
  });
  // Only what is committed may be remembered, and of a run that was filed there is nothing left to judge.
  if (judge && answer.sheetId === undefined) benchOf(store).keep(runId, judge);
  return answer;
}

const waitsFor = 'run.events_missing';

type Late = {
  readonly runId: string;
  readonly known: readonly string[];
  readonly fresh: readonly Sent[];
  readonly turnedAway: readonly Refused[];
};

/** A run that is signed takes nothing; a phone that did not hear of its sheet is told again. */
async function afterSigning(
  tables: Tables,
  { runId, known, fresh, turnedAway }: Late,
): Promise<Ingested> {
  const late = fresh.map(({ event }) => ({ id: event.id, code: 'run.already_signed' }));
  for (const [i, entry] of fresh.entries()) await keepRefused(tables, runId, entry, late[i]!);
  const of = { where: { run_id: runId }, order: [['signed_at_ms', 'ASC']] as [string, string][] };
  const sheet = (await tables.sheets.findOne(of)) ?? (await tables.practice.findOne(of));
  return {
    stored: [...known],
    refused: [...turnedAway, ...late],
    ...(sheet ? { sheetId: sheet.id } : {}),
  };
}

type Judged = {
  readonly accepted: readonly Sent[];
  readonly refused: readonly (readonly [Sent, Refused])[];
};

async function judgeOf(tables: Tables, runId: string): Promise<Judge> {
  const stored = await eventsOf(tables, runId);
  const aside = await refusedHashes(tables, runId);
  // What was refused once may have been taken since: its valve is in the register now.
  for (const event of stored) aside.delete(hashOfEntry(event));
  return new Judge(stored, aside);
}

/** Judges what is new in causal order: as the core would have when it was entered. */
async function judged(
  tables: Tables,
  judge: Judge,
  fresh: readonly Sent[],
  sender: Sender | undefined,
): Promise<Judged> {
  const authors = sender && new Authors(tables, sender);
  const accepted: Sent[] = [];
  const refused: (readonly [Sent, Refused])[] = [];
  const inOrder = [...fresh].sort((a, b) => a.event.lamport - b.event.lamport);
  for (const sent of inOrder) {
    const { event } = sent;
    const before =
      (await authors?.trouble(event, judge.started)) ??
      (await startTrouble(tables, event)) ??
      (await swapTrouble(tables, event, judge.started)) ??
      coversRefused(event, judge.refused);
    const wrong = judge.trouble(event, before);
    if (wrong) refused.push([sent, { id: event.id, ...wrong }]);
    else accepted.push(sent);
  }
  return { accepted, refused };
}

async function startTrouble(tables: Tables, event: RunEvent): Promise<Trouble | undefined> {
  if (event.type !== 'started') return undefined;
  const unfit = startError(event);
  return unfit ? { code: unfit.code, detail: unfit } : registerError(tables, event);
}

/** Another gauge that is taken in the middle of a record is one of the register’s, as those it began with. */
async function swapTrouble(
  tables: Tables,
  event: RunEvent,
  started: EventOf<'started'> | undefined,
): Promise<Trouble | undefined> {
  const isRecord = started !== undefined && !isPractice(started);
  return event.type === 'gauge_swapped' && isRecord ? gaugeError(tables, event.gauge) : undefined;
}

/** A signature over an entry that was refused names it. */
function coversRefused(event: RunEvent, aside: ReadonlySet<string>): Trouble | undefined {
  if (event.type !== 'signed') return undefined;
  const hash = event.seen?.find((each) => aside.has(each));
  return hash === undefined ? undefined : { code: 'run.covers_refused', detail: { hash } };
}

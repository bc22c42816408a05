import {
  entriesRoot,
  freezeSheet,
  pastOf,
  reduceRun,
  shownHash,
  signingError,
  type Run,
  type RunEvent,
  type Signer,
} from '@holvek/core';
import type { Tables } from '../db/tables';
import { fileRun } from '../sheet/shelf';
import { firstUnfit } from './judge';
import { eventsOf } from './rows';

export type Concluded = {
  readonly sheetId?: string;
  /** Why nothing was filed though there is a signature: it may still come, or never. */
  readonly waitsFor?: string;
};

/** Freezes the run once the signature and all that it is about are here; else notes what is missing. */
export async function conclude(tables: Tables, signer: Signer, runId: string): Promise<Concluded> {
  const events = await eventsOf(tables, runId);
  const reduced = reduceRun(events);
  const mark = (status: string, refusal: string | null) =>
    tables.runs.update({ status, refusal }, { where: { id: runId } });
  const wait = async (code: string): Promise<Concluded> => {
    await mark('signing', code);
    return { waitsFor: code };
  };
  if (!reduced.ok) return wait(reduced.error.code);
  const run = reduced.value;
  if (run.status === 'abandoned') {
    await mark('abandoned', null);
    return {};
  }
  const blocked = notToBeFiled(run, events);
  if (blocked) return wait(blocked);
  const sheet = await fileRun(tables, signer, run);
  await mark('signed', null);
  return { sheetId: sheet.id };
}

/** What keeps a run with a signature from being filed. */
function notToBeFiled(run: Run, events: readonly RunEvent[]): string | undefined {
  const { signed } = run;
  if (!signed || run.missing.length > 0) return 'run.events_missing';
  if (signed.root === undefined)
    return events.length < signed.covers + 1
      ? 'run.events_missing'
      : signingError({ ...run, status: 'open' })?.code;
  const { covered } = pastOf(signed, events);
  if (entriesRoot(covered) !== signed.root || covered.length !== signed.covers)
    return 'run.root_differs';
  if (firstUnfit([...covered, signed])) return 'run.entry_refused';
  const body = freezeSheet(run, null);
  if (!body.ok) return body.error.code;
  // The phone and this house must have come to the same sheet, to the byte.
  return shownHash(body.value) === signed.sheet ? undefined : 'sheet.differs';
}

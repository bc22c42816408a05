import { z } from 'zod';
import { keyNameOf, publicKeySchema, type PublicKey } from '../digest';
import { entriesRoot, isGenuine, pastOf, reduceRun, runEventSchema, type RunEvent } from '../run';
import {
  countersignDigest,
  countersignSchema,
  freezeSheet,
  hashOf,
  isOnlyCorrection,
  sheetSchema,
  shownHash,
  type Countersign,
  type Sheet,
} from '../sheet';
import {
  headFault,
  hashOfLine,
  logFaults,
  logLineSchema,
  type LogFault,
  type LogLine,
} from './log';
import type { CheckSignature } from './keys';
import { authorFaults, countersignFaults, reviserFaults, type SignatureFault } from './signatures';

/** Sheets with everything that they rest on: what leaves the house to be checked elsewhere. */
export const evidenceFileSchema = z.object({
  format: z.literal('holvek.evidence'),
  version: z.literal(1),
  /** Sheets of these valves are all here; of others there may be lines in the log only. */
  valves: z.array(z.string()),
  /** First to last, as they were filed. */
  sheets: z.array(sheetSchema),
  /** By run: its entries as they were sent. */
  runs: z.record(z.string(), z.array(z.unknown())),
  /** The whole log. */
  log: z.array(logLineSchema),
  keys: z.array(publicKeySchema),
  /** What a second pair of eyes said of these sheets; absent in files of before. */
  countersigns: z.array(countersignSchema).optional(),
});
export type EvidenceFile = z.infer<typeof evidenceFileSchema>;

export type EvidenceFault =
  | LogFault
  | { readonly code: 'sheet.altered'; readonly sheet: string }
  | { readonly code: 'sheet.link_broken'; readonly sheet: string }
  | { readonly code: 'sheet.other_valve'; readonly sheet: string; readonly valve: string }
  | { readonly code: 'sheet.dropped'; readonly sheet: string; readonly seq: number }
  | { readonly code: 'sheet.reordered'; readonly sheet: string }
  | { readonly code: 'sheet.not_in_log'; readonly sheet: string }
  | { readonly code: 'entries.missing'; readonly sheet: string }
  | { readonly code: 'entries.altered'; readonly sheet: string; readonly entry: string }
  | { readonly code: 'entries.other_sheet'; readonly sheet: string }
  | { readonly code: 'revision.changes_more'; readonly sheet: string }
  | { readonly code: 'revision.of_nothing'; readonly sheet: string }
  | SignatureFault
  | { readonly code: 'signature.wrong'; readonly seq: number }
  | { readonly code: 'key.unknown'; readonly key: string };

/** Why there is less to check on a sheet than there could be; no fault. */
export type EvidenceNote = {
  readonly code:
    | 'sheet.without_root'
    | 'sheet.revision'
    | 'revision.unsigned'
    | 'countersign.own'
    | 'countersign.not_in_log';
  readonly sheet: string;
};

export type VerifyOptions = {
  readonly check: CheckSignature;
  /** Names of the keys that are trusted, whole or their beginnings; those in the file where it is not given. */
  readonly trusted?: readonly string[];
  /** A line that was seen before: on paper, on a phone. */
  readonly head?: { readonly seq: number; readonly starts: string };
};

export type Verified = {
  readonly faults: readonly EvidenceFault[];
  readonly notes: readonly EvidenceNote[];
  readonly sheets: number;
  readonly entries: number;
  readonly lines: number;
};

/**
 * Checks sheets, the entries under them, their signatures, the chain of each valve and the log, from
 * files alone. What was altered, dropped (also at the end), moved, is another valve's or is signed by
 * an unknown key comes out by name.
 */
export async function verifyEvidence(
  file: EvidenceFile,
  { check, trusted, head }: VerifyOptions,
): Promise<Verified> {
  const { log, sheets } = file;
  const kept = head && headFault(head, log);
  const faults: EvidenceFault[] = [
    ...logFaults(log),
    ...(kept ? [kept] : []),
    ...(await signatureFaults(file, check, trusted)),
    ...chainFaults(sheets),
    ...filingFaults(file),
    ...sheets.flatMap((sheet) => sheetFaults(sheet, file.runs[sheet.body.run_id])),
    ...revisionFaults(sheets),
    ...(await reviserFaults(sheets, check)),
    ...(await authorFaults(sheets, ({ body }) => file.runs[body.run_id] ?? [], check)),
    ...(await countersignFaults(sheets, file.countersigns ?? [], check)),
  ];
  return {
    faults,
    notes: [
      ...sheets.flatMap(notesOf),
      ...ownNotes(sheets, file.countersigns ?? []),
      ...unloggedNotes(file),
    ],
    sheets: sheets.length,
    entries: Object.values(file.runs).reduce((sum, entries) => sum + entries.length, 0),
    lines: log.length,
  };
}

/** One sheet that left the house, with what it rests on. */
export type SheetEvidence = {
  readonly sheet: Sheet;
  /** Its entries as they were sent. */
  readonly entries?: readonly unknown[] | undefined;
  readonly line?: LogLine | undefined;
  readonly keys?: readonly PublicKey[] | undefined;
  /** What a second pair of eyes said of it. */
  readonly countersigns?: readonly Countersign[] | undefined;
};

/**
 * Checks one sheet from its own file: its words, the entries under it, its line and the signature of
 * that. Whether others were dropped, only the whole record tells.
 */
export async function verifySheet(
  { sheet, entries = [], line, keys = [], countersigns = [] }: SheetEvidence,
  { check, trusted }: Pick<VerifyOptions, 'check' | 'trusted'>,
): Promise<Verified> {
  const log = line ? [line] : [];
  const isLine = line?.sheet === sheet.hash && hashOfLine(line) === line.hash;
  const placed: EvidenceFault[] =
    isLine || sheet.body.rehearsal ? [] : [{ code: 'sheet.not_in_log', sheet: sheet.hash }];
  return {
    faults: [
      ...placed,
      ...(await signatureFaults({ log, keys }, check, trusted)),
      ...(await reviserFaults([sheet], check)),
      ...(await authorFaults([sheet], () => entries, check)),
      ...(await countersignFaults([sheet], countersigns, check)),
      ...sheetFaults(sheet, entries),
    ],
    notes: [...notesOf(sheet), ...ownNotes([sheet], countersigns)],
    sheets: 1,
    entries: entries.length,
    lines: log.length,
  };
}

function notesOf({ hash, body }: Sheet): EvidenceNote[] {
  if (body.corrects) {
    const about = { code: 'sheet.revision', sheet: hash } as const;
    return body.corrects.signed ? [about] : [about, { code: 'revision.unsigned', sheet: hash }];
  }
  return body.root === undefined ? [{ code: 'sheet.without_root', sheet: hash }] : [];
}

/** Sheets that were agreed by the very hand that signed them: the owner’s rule may allow it. */
const ownNotes = (sheets: readonly Sheet[], said: readonly Countersign[]): EvidenceNote[] =>
  sheets
    .filter(({ hash, body }) =>
      said.some(
        ({ sheet, by, verdict }) =>
          sheet === hash && verdict === 'agreed' && by === body.technician,
      ),
    )
    .map(({ hash }) => ({ code: 'countersign.own', sheet: hash }));

/** What was said of a sheet before such words got a line of their own: that none of it was dropped cannot be told. */
function unloggedNotes({ countersigns = [], log }: EvidenceFile): EvidenceNote[] {
  const filed = new Set(log.map(({ sheet }) => sheet));
  return countersigns
    .filter((said) => !filed.has(countersignDigest(said)))
    .map(({ sheet }) => ({ code: 'countersign.not_in_log', sheet }));
}

async function signatureFaults(
  { log, keys }: { readonly log: readonly LogLine[]; readonly keys: readonly PublicKey[] },
  check: CheckSignature,
  trusted: readonly string[] | undefined,
): Promise<EvidenceFault[]> {
  const byName = new Map(keys.map((key) => [keyNameOf(key), key]));
  const isTrusted = (name: string) =>
    trusted === undefined || trusted.some((each) => each.length >= 8 && name.startsWith(each));
  const unknown = new Set<string>();
  const faults: EvidenceFault[] = [];
  for (const line of log) {
    const key = byName.get(line.key);
    if (!key || !isTrusted(line.key)) unknown.add(line.key);
    if (key && !(await check(key, hashOfLine(line), line.signature)))
      faults.push({ code: 'signature.wrong', seq: line.seq });
  }
  return [...faults, ...[...unknown].map((key) => ({ code: 'key.unknown' as const, key }))];
}

/** Revisions against the sheets that they correct: nothing but notes may differ. */
function revisionFaults(sheets: readonly Sheet[]): EvidenceFault[] {
  const byHash = new Map(sheets.map((sheet) => [sheet.hash, sheet]));
  return sheets.flatMap(({ hash, body }): EvidenceFault[] => {
    if (!body.corrects) return [];
    const original = byHash.get(body.corrects.hash);
    if (!original) return [{ code: 'revision.of_nothing', sheet: hash }];
    // Of a sheet that is not what it was, that is said already.
    if (hashOf(original.body) !== original.hash) return [];
    return isOnlyCorrection(body, original) ? [] : [{ code: 'revision.changes_more', sheet: hash }];
  });
}

/** Each valve's sheets name the one before; practice of before stands in the chains too. */
function chainFaults(sheets: readonly Sheet[]): EvidenceFault[] {
  const last = new Map<string, string>();
  const faults: EvidenceFault[] = [];
  for (const { hash, body } of sheets) {
    if (body.previous_hash !== (last.get(body.valve_id) ?? null))
      faults.push({ code: 'sheet.link_broken', sheet: hash });
    last.set(body.valve_id, hash);
  }
  return faults;
}

/** Sheets against the log: each has its line, each line of these valves its sheet, in the same order. */
function filingFaults(file: EvidenceFile): EvidenceFault[] {
  const { sheets, log } = file;
  const faults: EvidenceFault[] = [];
  const lineOf = new Map(log.map((line) => [line.sheet, line]));
  let before = 0;
  for (const { hash, body } of sheets) {
    const line = lineOf.get(hash);
    if (!line) faults.push({ code: 'sheet.not_in_log', sheet: hash });
    else {
      if (line.valve_id !== body.valve_id)
        faults.push({ code: 'sheet.other_valve', sheet: hash, valve: line.valve_id });
      if (line.seq < before) faults.push({ code: 'sheet.reordered', sheet: hash });
      before = Math.max(before, line.seq);
    }
  }
  return [...faults, ...dropped(file)];
}

/** Lines of these valves that are about nothing here: neither a sheet, nor what a second pair of eyes said. */
function dropped({ sheets, countersigns = [], log, valves }: EvidenceFile): EvidenceFault[] {
  const here = new Set([...sheets.map(({ hash }) => hash), ...countersigns.map(countersignDigest)]);
  const whole = new Set([...valves, ...sheets.map(({ body }) => body.valve_id)]);
  return log
    .filter(({ valve_id, sheet }) => whole.has(valve_id) && !here.has(sheet))
    .map(({ sheet, seq }) => ({ code: 'sheet.dropped', sheet, seq }));
}

/** A sheet against its own hash, and against the entries that it was frozen from. */
function sheetFaults({ hash, body }: Sheet, raw: readonly unknown[] = []): EvidenceFault[] {
  if (hashOf(body) !== hash) return [{ code: 'sheet.altered', sheet: hash }];
  // A revision is about its sheet; one of before says nothing of its entries.
  if (body.corrects || body.root === undefined) return [];
  const parsed = z.array(runEventSchema).safeParse(raw);
  if (!parsed.success || raw.length === 0) return [{ code: 'entries.missing', sheet: hash }];
  const altered = raw.findIndex((entry) => !isGenuine(entry as object));
  if (altered >= 0)
    return [{ code: 'entries.altered', sheet: hash, entry: parsed.data[altered]!.id }];
  return comesTo(body.root, hash, body, parsed.data);
}

function comesTo(
  root: string,
  sheet: string,
  body: Sheet['body'],
  entries: readonly RunEvent[],
): EvidenceFault[] {
  const run = reduceRun(entries);
  const signed = run.ok ? run.value.signed : undefined;
  if (!run.ok || !signed || run.value.missing.length > 0)
    return [{ code: 'entries.missing', sheet }];
  const frozen = freezeSheet(run.value, body.previous_hash);
  const isSame =
    frozen.ok &&
    hashOf(frozen.value) === sheet &&
    entriesRoot(pastOf(signed, entries).covered) === root &&
    shownHash(frozen.value) === signed.sheet;
  return isSame ? [] : [{ code: 'entries.other_sheet', sheet }];
}

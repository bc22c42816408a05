import { keyNameOf } from '../digest';
import { unwrap } from '../result';
import { reduceRun, sealEntry, type EventOf, type RunEvent } from '../run';
import {
  correctionDigest,
  countersignDigest,
  freezeSheet,
  hashOf,
  reviseSheet,
  signatureDigest,
  type Correction,
  type Countersign,
  type Sheet,
  type SheetBody,
  type SignedCorrection,
} from '../sheet';
import { rehearsed } from '../testing/samples';
import { asRecord } from '../twin';
import { checkWith, deviceSigner, makeDeviceKey, makeKey, signerOf, type Signer } from './keys';
import { EMPTY_HEAD, hashOfLine, headFault, headWords, readHead, type LogLine } from './log';
import { evidenceFileSchema, verifyEvidence, verifySheet, type EvidenceFile } from './verify';
import { faultWords, noteWords } from './words';

const { subtle } = globalThis.crypto;
const check = checkWith(subtle);

const runsOf = (valve: string, visit: number): RunEvent[] => {
  const over = { valve_id: valve, valve_tag: valve.toUpperCase() };
  const { events } = rehearsed({ seed: visit, over });
  return [...asRecord(events.map((event) => ({ ...event, run_id: `${valve}-${visit}` })))];
};
const visits = [
  ['prv-1', 1],
  ['prv-2', 2],
  ['prv-1', 3],
] as const;
const runs = Object.fromEntries(
  visits.map(([valve, visit]) => [`${valve}-${visit}`, runsOf(valve, visit)]),
);

const sheetOf = (body: SheetBody): Sheet => {
  const hash = hashOf(body);
  return { id: hash.slice(0, 24), hash, body };
};
const bodyOf = (run: string, previous: string | null): SheetBody =>
  unwrap(freezeSheet(unwrap(reduceRun(runs[run]!)), previous));

const logged = (sheets: readonly Sheet[], signer: Signer): Promise<LogLine[]> =>
  linesOf(
    sheets.map(({ hash, body }) => ({ of: hash, valve: body.valve_id })),
    signer,
  );

async function linesOf(
  filed: readonly { readonly of: string; readonly valve: string }[],
  signer: Signer,
): Promise<LogLine[]> {
  const lines: LogLine[] = [];
  for (const { of: sheet, valve } of filed) {
    const previous = lines.at(-1)?.hash ?? null;
    const said = { seq: lines.length + 1, valve_id: valve, sheet, at_ms: 1000, previous };
    const hash = hashOfLine(said);
    lines.push({ ...said, hash, key: signer.name, signature: await signer.sign(hash) });
  }
  return lines;
}

const signedBy = async (
  { publicKey, sign }: Signer,
  { hash }: Sheet,
  said: Correction,
): Promise<SignedCorrection> => ({
  ...said,
  signed: { key: publicKey, signature: await sign(correctionDigest(hash, said)) },
});

let signer: Signer;
let reviser: Signer;
let file: EvidenceFile;
beforeAll(async () => {
  signer = await signerOf(subtle, await makeKey(subtle));
  const first = sheetOf(bodyOf('prv-1-1', null));
  const other = sheetOf(bodyOf('prv-2-2', null));
  const second = sheetOf(bodyOf('prv-1-3', first.hash));
  reviser = await deviceSigner(subtle, await makeDeviceKey(subtle));
  const said = { notes: ['14'], why: 'Wrong', by: 'Tomas', at_ms: 5 };
  const revised = sheetOf(reviseSheet(second, await signedBy(reviser, second, said), second.hash));
  file = await fileOf([first, other, second, revised], signer);
});

const fileOf = async (sheets: readonly Sheet[], by: Signer): Promise<EvidenceFile> => ({
  format: 'holvek.evidence',
  version: 1,
  valves: ['prv-1', 'prv-2'],
  sheets: [...sheets],
  runs,
  log: await logged(sheets, by),
  keys: [by.publicKey],
});

type Options = Partial<Parameters<typeof verifyEvidence>[1]>;
const codes = async (changed: EvidenceFile, options: Options = {}): Promise<string[]> => {
  // As it comes out of a file.
  const read = evidenceFileSchema.parse(JSON.parse(JSON.stringify(changed)));
  const { faults } = await verifyEvidence(read, { check, ...options });
  for (const fault of faults) expect(faultWords(fault)).toMatch(/^[A-Z].*\.$/u);
  return faults.map(({ code }) => code);
};

describe('evidence that is whole', () => {
  test('has no fault, and says how much was checked', async () => {
    const { faults, notes, ...counts } = await verifyEvidence(file, {
      check,
      trusted: [signer.name.slice(0, 16)],
      head: readHead(headWords(file.log.at(-1)!))!,
    });
    expect(faults).toEqual([]);
    const entries = Object.values(runs).reduce((sum, list) => sum + list.length, 0);
    expect(counts).toEqual({ sheets: 4, entries, lines: 4 });
    expect(notes.map(noteWords)).toEqual([expect.stringMatching(/is a revision/u)]);
  });

  test('of one valve alone is checked against the whole log', async () => {
    const own = file.sheets.filter(({ body }) => body.valve_id === 'prv-1');
    expect(await codes({ ...file, valves: ['prv-1'], sheets: own })).toEqual([]);
  });

  test('a sheet of before has no entries to be checked by, and that is said', async () => {
    const plain = sheetOf(unwrap(freezeSheet(rehearsed().run, null)));
    const old = await fileOf([plain], signer);
    const { faults, notes } = await verifyEvidence(old, { check });
    expect(faults).toEqual([]);
    expect(notes.map(noteWords)).toEqual([expect.stringMatching(/of before/u)]);
  });
});

describe('the key of a device', () => {
  test('signs, and its private part cannot be taken away', async () => {
    const key = await makeDeviceKey(subtle);
    expect(key.privateKey.extractable).toBe(false);
    const { name, publicKey, sign } = await deviceSigner(subtle, key);
    expect(name).toBe(keyNameOf(publicKey));
    expect(await check(publicKey, 'ab', await sign('ab'))).toBe(true);
  });
});

describe('what was tampered with', () => {
  const swap = <T>(list: readonly T[], i: number, next: T): T[] =>
    list.map((each, at) => (at === i ? next : each));
  const body = (sheet: Sheet, over: Partial<SheetBody>): Sheet => ({
    ...sheet,
    body: { ...sheet.body, ...over },
  });

  test.each<[string, (f: EvidenceFile) => EvidenceFile, string[]]>([
    [
      'one figure of a sheet',
      (f) => ({ ...f, sheets: swap(f.sheets, 1, body(f.sheets[1]!, { verdict: 'fail' })) }),
      ['sheet.altered'],
    ],
    [
      'a sheet dropped from the middle',
      (f) => ({ ...f, sheets: f.sheets.filter((_, i) => i !== 2) }),
      ['sheet.link_broken', 'sheet.dropped', 'revision.of_nothing'],
    ],
    ['the last sheet dropped', (f) => ({ ...f, sheets: f.sheets.slice(0, -1) }), ['sheet.dropped']],
    [
      'two sheets changed places',
      (f) => ({ ...f, sheets: [f.sheets[1]!, f.sheets[0]!, ...f.sheets.slice(2)] }),
      ['sheet.reordered'],
    ],
    [
      'a line of the log taken out',
      (f) => ({ ...f, log: f.log.filter((_, i) => i !== 1) }),
      ['log.line_missing', 'sheet.not_in_log'],
    ],
    [
      'a line of the log changed',
      (f) => ({ ...f, log: swap(f.log, 1, { ...f.log[1]!, at_ms: 7 }) }),
      ['log.line_changed', 'signature.wrong'],
    ],
    [
      'a sheet under another valve’s name',
      (f) => ({ ...f, log: swap(f.log, 1, { ...f.log[1]!, valve_id: 'prv-9' }) }),
      ['log.line_changed', 'signature.wrong', 'sheet.other_valve'],
    ],
    [
      'a signature of other words',
      (f) => ({ ...f, log: swap(f.log, 0, { ...f.log[0]!, signature: f.log[1]!.signature }) }),
      ['signature.wrong'],
    ],
    [
      'a signature cut short',
      (f) => ({
        ...f,
        log: swap(f.log, 0, { ...f.log[0]!, signature: f.log[0]!.signature.slice(0, 20) }),
      }),
      ['signature.wrong'],
    ],
    [
      'an entry changed',
      (f) => withRun(f, 'prv-2-2', (list) => swap(list, 5, { ...list[5]!, author: 'Nobody' })),
      ['entries.altered'],
    ],
    [
      'an entry changed and sealed anew',
      (f) =>
        withRun(f, 'prv-2-2', (list) => swap(list, 5, sealEntry({ ...list[5]!, author: 'N' }))),
      ['entries.missing'],
    ],
    [
      'an entry dropped',
      (f) => withRun(f, 'prv-2-2', (list) => list.filter((_, i) => i !== 5)),
      ['entries.missing'],
    ],
    ['no entries at all', (f) => ({ ...f, runs: {} }), Array(2 + 1).fill('entries.missing')],
    [
      'the entries of another run',
      (f) => ({ ...f, runs: { ...f.runs, 'prv-2-2': f.runs['prv-1-1']! } }),
      ['entries.other_sheet'],
    ],
    [
      'entries that nobody can read',
      (f) => withRun(f, 'prv-2-2', () => [{ type: 'none' } as never]),
      ['entries.missing'],
    ],
    ['no key', (f) => ({ ...f, keys: [] }), ['key.unknown']],
  ])('%s', async (_, tamper, wanted) => {
    expect(await codes(tamper(file))).toEqual(wanted);
  });

  /** The record with another revision at its end, filed and logged by the server as if it were right. */
  const withRevision = (revised: SheetBody): Promise<EvidenceFile> =>
    fileOf([...file.sheets.slice(0, 3), sheetOf(revised)], signer);

  test('a signature that is not its author’s device’s shows, in the whole and alone', async () => {
    const [sheet] = file.sheets;
    const entries = runs['prv-1-1']!;
    const last = entries.at(-1)! as EventOf<'signed'>;
    const signedAs = async (over: Partial<EventOf<'signed'>>) => {
      const signature = await reviser.sign(signatureDigest({ ...last, ...over }));
      const { hash: _, ...said } = last;
      const made = { key: reviser.publicKey, signature };
      const entry = sealEntry({ ...said, device_signature: made } as RunEvent);
      return [...entries.slice(0, -1), entry];
    };
    const right = await signedAs({});
    expect(await codes({ ...file, runs: { ...runs, 'prv-1-1': right } })).toEqual([]);
    for (const over of [
      { name: 'Tomas' },
      { author: 'Tomas' },
      { at_ms: 5 },
      { sheet: 'a'.repeat(64) },
      { root: 'b'.repeat(64) },
      { run_id: 'another' },
      { device: 'another' },
      { covers: 3 },
    ]) {
      const forged = await signedAs(over);
      const wanted = ['author.signature_wrong'];
      expect(await codes({ ...file, runs: { ...runs, 'prv-1-1': forged } })).toEqual(wanted);
      const alone = { sheet: sheet!, entries: forged, line: file.log[0], keys: file.keys };
      expect((await verifySheet(alone, { check })).faults.map(({ code }) => code)).toEqual(wanted);
    }
  });

  test('a revision that changes more than notes, or says what its reviser did not sign, shows', async () => {
    const { body: good } = file.sheets[3]!;
    const corrects = good.corrects!;
    expect(await codes(await withRevision(good))).toEqual([]);
    expect(await codes(await withRevision({ ...good, verdict: 'fail' }))).toEqual([
      'revision.changes_more',
    ]);
    for (const forged of [
      { ...good, notes: ['15'] },
      { ...good, corrects: { ...corrects, by: 'Somebody' } },
      { ...good, corrects: { ...corrects, at_ms: 6 } },
    ])
      expect(await codes(await withRevision(forged))).toEqual(['revision.signature_wrong']);
    const alone = sheetOf({ ...good, notes: ['15'] });
    const { faults } = await verifySheet(
      { sheet: alone, line: (await logged([alone], signer))[0], keys: [signer.publicKey] },
      { check },
    );
    expect(faults.map(({ code }) => code)).toEqual(['revision.signature_wrong']);
  });

  test('a revision of before has no signature of its reviser, and that is said', async () => {
    const { body: good } = file.sheets[3]!;
    const { signed: _, ...corrects } = good.corrects!;
    const { faults, notes } = await verifyEvidence(await withRevision({ ...good, corrects }), {
      check,
    });
    expect(faults).toEqual([]);
    expect(notes.map(noteWords)).toEqual([
      expect.stringMatching(/is a revision/u),
      expect.stringMatching(/has not signed/u),
    ]);
  });

  test('a line that is missing is named by its number', async () => {
    const { faults } = await verifyEvidence(
      { ...file, log: file.log.filter((_, i) => i !== 1) },
      { check },
    );
    expect(faults[0]).toEqual({ code: 'log.line_missing', seq: 2 });
    expect(faultWords(faults[0]!)).toContain('Line 2 of the log is missing');
  });

  test('the last sheet dropped with its line shows against a head that was seen', async () => {
    const cut = { ...file, sheets: file.sheets.slice(0, -1), log: file.log.slice(0, -1) };
    expect(await codes(cut)).toEqual([]);
    const head = readHead(headWords(file.log.at(-1)!))!;
    expect(await codes(cut, { head })).toEqual(['log.head_lost']);
  });

  test('a whole record written anew by another key shows against the key, and against a head', async () => {
    const stranger = await signerOf(subtle, await makeKey(subtle));
    const [first, other] = file.sheets;
    const forged = await fileOf([sheetOf({ ...first!.body, notes: ['x'] }), other!], stranger);
    const rewritten = { ...forged, valves: ['prv-2'], sheets: [other!] };
    expect(await codes(rewritten, { trusted: [signer.name] })).toContain('key.unknown');
    const head = readHead(headWords(file.log[0]!))!;
    expect(await codes(rewritten, { head })).toContain('log.head_changed');
  });

  test('a trusted key is named by no less than eight digits', async () => {
    expect(await codes(file, { trusted: [signer.name.slice(0, 8)] })).toEqual([]);
    expect(await codes(file, { trusted: [signer.name.slice(0, 7)] })).toEqual(['key.unknown']);
  });
});

const withRun = (
  f: EvidenceFile,
  run: string,
  change: (list: readonly RunEvent[]) => readonly RunEvent[],
): EvidenceFile => ({ ...f, runs: { ...f.runs, [run]: [...change(f.runs[run] as RunEvent[])] } });

describe('a sheet by itself', () => {
  const own = () => ({
    sheet: file.sheets[1]!,
    entries: runs['prv-2-2']!,
    line: file.log[1]!,
    keys: file.keys,
  });
  const codesOf = async (changed: Parameters<typeof verifySheet>[0], trusted?: string[]) =>
    (await verifySheet(changed, { check, ...(trusted ? { trusted } : {}) })).faults.map(
      ({ code }) => code,
    );

  test('is checked by its words, its entries and its line', async () => {
    expect(await codesOf(own(), [signer.name])).toEqual([]);
    const { sheet } = own();
    const altered = { ...sheet, body: { ...sheet.body, technician: 'Nobody' } };
    expect(await codesOf({ ...own(), sheet: altered })).toEqual(['sheet.altered']);
    expect(await codesOf({ ...own(), entries: runs['prv-1-1']! })).toEqual(['entries.other_sheet']);
    expect(await codesOf({ ...own(), line: file.log[0]! })).toEqual(['sheet.not_in_log']);
    expect(await codesOf({ ...own(), line: undefined })).toEqual(['sheet.not_in_log']);
    expect(await codesOf(own(), ['f'.repeat(64)])).toEqual(['key.unknown']);
  });

  test('whose words were changed and hashed anew is not what its entries come to', async () => {
    const { sheet } = own();
    const changed = sheetOf({ ...sheet.body, technician: 'Nobody' });
    expect(await codesOf({ ...own(), sheet: changed })).toContain('entries.other_sheet');
    const otherRoot = sheetOf({ ...sheet.body, root: 'f'.repeat(64) });
    expect(await codesOf({ ...own(), sheet: otherRoot })).toContain('entries.other_sheet');
  });

  test('of which the signature is not among its entries has not all of them', async () => {
    const entries = own().entries.filter(({ type }) => type !== 'signed');
    expect(await codesOf({ ...own(), entries })).toEqual(['entries.missing']);
    const { sheets } = await verifySheet({ ...own(), entries }, { check });
    expect(sheets).toBe(1);
  });

  test('practice has no line, and needs none', async () => {
    const body = { ...bodyOf('prv-1-1', null), rehearsal: true };
    expect(
      (await verifySheet({ sheet: sheetOf(body) }, { check })).faults.map(({ code }) => code),
    ).toEqual(['entries.missing']);
  });
});

describe('heads and keys', () => {
  test('a head is read as it is written', () => {
    expect(headWords(EMPTY_HEAD)).toBe('0-');
    expect(readHead('0-')).toEqual({ seq: 0, starts: '' });
    expect(readHead(' 17-3f2a9c0411aa22bb ')).toEqual({ seq: 17, starts: '3f2a9c0411aa22bb' });
    for (const wrong of ['17', 'x-12', '3-xyz', '-1-ab']) expect(readHead(wrong)).toBeUndefined();
  });

  test('a key that signs is read only when it is one', async () => {
    await expect(signerOf(subtle, { kty: 'RSA' })).rejects.toThrow();
    expect(signer.name).toBe(keyNameOf(signer.publicKey));
    expect(JSON.stringify(signer.publicKey)).not.toContain('"d"');
  });
});

describe('what was seen before, and what is no key', () => {
  test('a log that was empty when it was seen has lost nothing by growing', () => {
    const line = { seq: 1, valve_id: 'v', sheet: 'a'.repeat(64), at_ms: 1, previous: null };
    const lines = [{ ...line, hash: hashOfLine(line), key: 'k', signature: 's' }];
    expect(headFault({ seq: 0, starts: '' }, lines)).toBeUndefined();
    expect(headFault({ seq: 0, starts: '' }, [])).toBeUndefined();
    expect(headFault({ seq: 2, starts: '' }, lines)).toEqual({ code: 'log.head_lost', seq: 2 });
  });

  test('a signature by a key that is no point on the curve, or one cut short, does not hold', async () => {
    const signer = await signerOf(subtle, await makeKey(subtle));
    const signature = await signer.sign('text');
    expect(await check(signer.publicKey, 'text', signature)).toBe(true);
    expect(await check({ ...signer.publicKey, x: 'AAAA' }, 'text', signature)).toBe(false);
    expect(await check(signer.publicKey, 'text', signature.slice(0, 40))).toBe(false);
    expect(await check(signer.publicKey, 'text', '§')).toBe(false);
  });
});

describe('what a second pair of eyes said', () => {
  const second = async (over: Partial<Countersign> = {}): Promise<Countersign> => {
    const said = {
      sheet: file.sheets[0]!.hash,
      by: 'Ines Varga',
      verdict: 'sent_back' as const,
      words: 'no lock',
      at_ms: 9,
      ...over,
    };
    const { publicKey: key, sign } = reviser;
    return { ...said, signed: { key, signature: await sign(countersignDigest(said)) } };
  };
  const withSaid = (...countersigns: readonly Countersign[]) => ({
    ...file,
    countersigns: [...countersigns],
  });

  test('holds as it was signed, in the record and with its sheet alone', async () => {
    const said = await second();
    expect(await codes(withSaid(said, await second({ verdict: 'agreed' })))).toEqual([]);
    const [sheet] = file.sheets;
    const alone = { sheet: sheet!, entries: runs['prv-1-1']!, line: file.log[0], keys: file.keys };
    const { faults } = await verifySheet({ ...alone, countersigns: [said] }, { check });
    expect(faults).toEqual([]);
  });

  test.each<[string, Partial<Countersign>, string]>([
    ['a verdict that was turned round', { verdict: 'agreed' }, 'countersign.signature_wrong'],
    ['words that were left out', { words: 'all well' }, 'countersign.signature_wrong'],
    ['another name', { by: 'Edda Lorenz' }, 'countersign.signature_wrong'],
    ['another time', { at_ms: 10 }, 'countersign.signature_wrong'],
  ])('%s comes out', async (_, over, code) => {
    const said = { ...(await second()), ...over };
    expect(await codes(withSaid(said))).toEqual([code]);
    const [sheet] = file.sheets;
    const alone = { sheet: sheet!, entries: runs['prv-1-1']!, line: file.log[0], keys: file.keys };
    const { faults } = await verifySheet({ ...alone, countersigns: [said] }, { check });
    expect(faults.map((fault) => fault.code)).toEqual([code]);
  });

  test('has its line in the log: one that was dropped comes out, one of before has none and that is noted', async () => {
    const [back, agreed] = [await second(), await second({ verdict: 'agreed' })];
    const filed = [
      ...file.sheets.map(({ hash, body }) => ({ of: hash, valve: body.valve_id })),
      ...[back, agreed].map((said) => ({ of: countersignDigest(said), valve: 'prv-1' })),
    ];
    const log = await linesOf(filed, signer);
    expect(await codes({ ...withSaid(back, agreed), log })).toEqual([]);
    expect(await codes({ ...withSaid(agreed), log })).toEqual(['sheet.dropped']);
    expect(await codes({ ...file, log })).toEqual(['sheet.dropped', 'sheet.dropped']);
    const notesOf = async (record: EvidenceFile) =>
      (await verifyEvidence(record, { check })).notes.map(({ code }) => code);
    expect(await notesOf({ ...withSaid(back, agreed), log })).not.toContain(
      'countersign.not_in_log',
    );
    const { notes } = await verifyEvidence(withSaid(back), { check });
    expect(notes.map(noteWords)).toContainEqual(expect.stringMatching(/has no line in the log/u));
  });

  test('of a sheet that is not here, it is said', async () => {
    const elsewhere = await second({ sheet: 'f'.repeat(64) });
    expect(await codes(withSaid(elsewhere))).toEqual(['countersign.of_nothing']);
  });

  test('agreed by the signer himself is noted, no fault; by another, or sent back, it is not', async () => {
    const { technician: by } = file.sheets[0]!.body;
    const notesWith = async (over: Partial<Countersign>) => {
      const read = withSaid(await second(over));
      const { faults, notes } = await verifyEvidence(read, { check });
      expect(faults).toEqual([]);
      return notes.filter(({ code }) => code === 'countersign.own').map(noteWords);
    };
    expect(await notesWith({ by, verdict: 'agreed' })).toEqual([
      expect.stringMatching(/agreed by the hand that signed it/u),
    ]);
    expect(await notesWith({ by })).toEqual([]);
    expect(await notesWith({ verdict: 'agreed' })).toEqual([]);
  });
});

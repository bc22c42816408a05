/** @jest-environment node */
import {
  asRecord,
  EMPTY_HEAD,
  freezeSheet,
  hashOf,
  hashOfLine,
  makeKey,
  sheetFile,
  signerOf,
  unwrap,
} from '@holvek/core';
import { checkRecord } from './check-record';
import { practised, run } from '@/testing/signed-run';

const { subtle } = globalThis.crypto;
const fileOf = (text: string, size = text.length) => ({
  name: 'record.json',
  size,
  text: async () => text,
});

const entries = asRecord(practised);

/** One sheet and the entries under it, filed in the first line of a log. */
async function recordOf() {
  const signer = await signerOf(subtle, await makeKey(subtle));
  const body = unwrap(freezeSheet(run, null));
  const hash = hashOf(body);
  const said = { seq: 1, valve_id: body.valve_id, sheet: hash, at_ms: 5, previous: null };
  const lineHash = hashOfLine(said);
  const line = {
    ...said,
    hash: lineHash,
    key: signer.name,
    signature: await signer.sign(lineHash),
  };
  return {
    format: 'holvek.evidence',
    version: 1,
    valves: [body.valve_id],
    sheets: [{ id: hash.slice(0, 24), hash, body: body }],
    runs: { [body.run_id]: entries },
    log: [line],
    keys: [signer.publicKey],
  } as const;
}

describe('a record that is handed over', () => {
  test('holds as it was filed, and not with a letter changed', async () => {
    const text = JSON.stringify(await recordOf());
    const sound = await checkRecord(fileOf(text), EMPTY_HEAD, subtle);
    expect(sound).toMatchObject({
      state: 'checked',
      file: { kind: 'record', result: { faults: [] } },
    });
    const changed = text.replace(/"valve_name":"./u, '"valve_name":"_');
    const broken = await checkRecord(fileOf(changed), EMPTY_HEAD, subtle);
    expect(broken).toMatchObject({ file: { result: { faults: [{ code: 'sheet.altered' }] } } });
  });

  test('is held against the line that this phone has seen, where it goes as far', async () => {
    const record = await recordOf();
    const seen = { seq: 1, hash: 'f'.repeat(64) };
    const other = await checkRecord(fileOf(JSON.stringify(record)), seen, subtle);
    expect(other).toMatchObject({ file: { result: { faults: [{ code: 'log.head_changed' }] } } });
    const own = { seq: 1, hash: record.log[0].hash };
    const same = await checkRecord(fileOf(JSON.stringify(record)), own, subtle);
    expect(same).toMatchObject({ file: { result: { faults: [] } } });
    // An older copy than this phone has seen is no fault of its own.
    const later = await checkRecord(fileOf(JSON.stringify(record)), { ...seen, seq: 2 }, subtle);
    expect(later).toMatchObject({ file: { result: { faults: [] } } });
  });

  test('one sheet by itself is told from a whole record', async () => {
    const { sheets, log, keys } = await recordOf();
    const file = sheetFile(sheets[0], { entries, line: log[0], keys });
    const one = await checkRecord(fileOf(JSON.stringify(file)), EMPTY_HEAD, subtle);
    expect(one).toMatchObject({ file: { kind: 'sheet', result: { faults: [] } } });
  });

  test.each([
    ['{"format":', undefined, /cut off/u],
    ['{"format":"other"}', undefined, /no record of this house/u],
    ['{}', 80_000_000, /80 MB/u],
  ])('%s is refused with its reason', async (text, size, why) => {
    const refused = await checkRecord(fileOf(text, size), EMPTY_HEAD, subtle);
    expect(refused).toMatchObject({ state: 'unreadable', why: expect.stringMatching(why) });
  });

  test('without a secure address that is said, and nothing is claimed', async () => {
    const refused = await checkRecord(fileOf('{}'), EMPTY_HEAD, undefined);
    expect(refused).toMatchObject({ state: 'unreadable', why: expect.stringMatching(/secure/u) });
  });
});

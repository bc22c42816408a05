import { digestOfText } from '../digest';
import { checkWith } from '../evidence';
import { unwrap } from '../result';
import { reduceRun } from '../run';
import { freezeSheet, hashOf, type SheetBody } from '../sheet';
import { rehearsedFamily } from '../testing/family-samples';
import { checkFile, takenFrom, takenWords } from './check-file';
import { sheetFile } from './json-files';

const check = checkWith(globalThis.crypto.subtle);
const { events } = rehearsedFamily('relief_pilot');
const bytes = new TextEncoder().encode('t;bar\n0;1\n');
const sha256 = digestOfText('t;bar\n0;1\n');
const body: SheetBody = {
  ...unwrap(freezeSheet(unwrap(reduceRun(events)), null)),
  files: [{ name: 'ramp.csv', sha256, shows: 'opening' }],
};
const textOf = (said: SheetBody) => {
  const hash = hashOf(said);
  return JSON.stringify(sheetFile({ id: hash.slice(0, 24), hash, body: said }));
};

describe('a record that names the files of loggers', () => {
  test('tells which of its figures came from the file that is held against it', async () => {
    const checked = unwrap(await checkFile(textOf(body), { check }));
    expect(checked.taken).toEqual([{ ...body.files![0], tag: body.valve_tag }]);
    expect(takenFrom(bytes, checked)).toEqual(checked.taken);
    expect(takenWords(takenFrom(bytes, checked))).toBe(
      `${body.valve_tag}: where it opened and shut: ramp.csv, file ${sha256.slice(0, 12)}`,
    );
  });

  test('says of one with a byte changed that nothing was taken from it', async () => {
    const checked = unwrap(await checkFile(textOf(body), { check }));
    const changed = bytes.with(0, bytes[0]! + 1);
    expect(takenFrom(changed, checked)).toEqual([]);
    expect(takenWords(takenFrom(changed, checked))).toMatch(/^None of its figures/u);
  });

  test('does not hold where another file is put into it', async () => {
    const text = textOf(body).replace(sha256, digestOfText('another'));
    const { result } = unwrap(await checkFile(text, { check }));
    expect(result.faults.map(({ code }) => code)).toContain('sheet.altered');
    const { files: _, ...none } = body;
    expect(unwrap(await checkFile(textOf(none), { check })).taken).toEqual([]);
  });
});

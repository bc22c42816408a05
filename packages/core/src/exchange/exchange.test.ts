import { absolutePa } from '../quantity';
import fc from 'fast-check';
import { unwrap } from '../result';
import { freezeSheet, hashOf } from '../sheet';
import { rehearsed } from '../testing/samples';
import { csvNumber, readCsv, writeCsv } from './csv-table';
import { formatGaugeLine, parseGaugeLine } from './gauge-line';
import {
  publishedSchemas,
  readJsonFile,
  runFile,
  runFileSchema,
  sheetFile,
  sheetFileSchema,
} from './json-files';
import { readingRowsOf, readReadingsCsv, writeReadingsCsv } from './readings-csv';

const { events, run } = rehearsed({ seed: 3 });
const body = unwrap(freezeSheet(run, null));

describe('gauge lines', () => {
  test('what a gauge sends is read as what it showed', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1000, max: 20_000 }), (tenths) => {
        const line = formatGaugeLine(tenths / 10, 'kPa', 1);
        expect(unwrap(parseGaugeLine(line, absolutePa(101_325))).si).toBeCloseTo(tenths * 100, 6);
      }),
      { seed: 61 },
    );
  });
  test('a line of noise carries no reading', () => {
    expect(parseGaugeLine('@@ error 4', absolutePa(101_325)).ok).toBe(false);
    expect(parseGaugeLine('4'.repeat(80), absolutePa(101_325)).ok).toBe(false);
  });
});

describe('tables', () => {
  test.each([
    ['a,b\n1,2\n', { a: '1', b: '2' }],
    ['\uFEFFa;b\n1;2\n', { a: '1', b: '2' }],
    ['A\tB\n1\t2', { a: '1', b: '2' }],
    ['a,b\r\n"1,5","x ""y"""\r\n\r\n', { a: '1,5', b: 'x "y"' }],
  ])('%p is read', (text, cells) => {
    expect(unwrap(readCsv(text, ['a', 'b'])).rows).toEqual([{ line: 2, cells }]);
  });

  test('missing columns and missing rows are said', () => {
    expect(readCsv('a\n1', ['a', 'b'])).toEqual({
      ok: false,
      error: { code: 'csv.missing_columns', columns: ['b'] },
    });
    expect(readCsv('a,b\n', ['a', 'b'])).toEqual({ ok: false, error: { code: 'csv.no_rows' } });
  });

  test('numbers with point or comma', () => {
    expect(['1.5', '1,5', '-3', '1 200', '1e3', '', 'x', '1,2,3'].map(csvNumber)).toEqual([
      1.5,
      1.5,
      -3,
      1200,
      1000,
      undefined,
      undefined,
      undefined,
    ]);
  });

  test.each(['=1+1', '+cmd', '-cmd', '@SUM(A1)', "'quoted'", '-12', '1.5', 'plain'])(
    '%j goes out and comes back as it was',
    (cell) => {
      const text = writeCsv(['a', 'b'], [[cell, 'x']]);
      expect(unwrap(readCsv(text, ['a', 'b'])).rows[0]!.cells['a']).toBe(cell);
    },
  );

  test('a cell that a spreadsheet would run is kept as text', () => {
    expect(writeCsv(['a'], [['=1+1']])).toContain("'=1+1");
    expect(writeCsv(['a'], [['-5']])).toBe('a\n-5\n');
  });
});

describe('readings as CSV', () => {
  test('go out and come back the same', () => {
    const rows = readingRowsOf(body);
    expect(unwrap(readReadingsCsv(writeReadingsCsv(rows)))).toEqual({ rows, issues: [] });
  });

  test('a wrong row is named, the rest kept', () => {
    const text = writeReadingsCsv(readingRowsOf(body)).replace('outlet', 'sideways');
    const { rows, issues } = unwrap(readReadingsCsv(text));
    expect(issues).toHaveLength(1);
    expect(issues[0]).toMatchObject({ column: 'role' });
    expect(rows).toHaveLength(body.readings.length - 1);
  });
});

describe('JSON files', () => {
  const sheet = { id: 'a', hash: hashOf(body), body };
  test('run and sheet go out and come back the same', () => {
    expect(unwrap(readJsonFile(JSON.stringify(runFile(events)), runFileSchema)).events).toEqual(
      events,
    );
    expect(unwrap(readJsonFile(JSON.stringify(sheetFile(sheet)), sheetFileSchema)).sheet).toEqual(
      sheet,
    );
  });

  test('what is no JSON, or not ours, is said', () => {
    expect(readJsonFile('{', runFileSchema)).toEqual({
      ok: false,
      error: { code: 'file.not_json' },
    });
    expect(readJsonFile('{"format":"x"}', runFileSchema)).toMatchObject({
      ok: false,
      error: { code: 'file.not_ours', path: 'format' },
    });
  });

  test('the published schemas are JSON Schema with our version in them', () => {
    for (const make of Object.values(publishedSchemas)) {
      const schema = make() as unknown as {
        $schema: string;
        properties: { version: { const: number } };
      };
      expect(schema.$schema).toContain('json-schema.org');
      expect(schema.properties.version.const).toBe(1);
    }
  });
});

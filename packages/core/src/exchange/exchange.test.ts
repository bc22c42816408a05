import fc from 'fast-check';
import { unwrap } from '../result';
import { freezeSheet, hashOf } from '../sheet';
import { plate, rehearsed, target } from '../testing/samples';
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
import { overKnown, readRegisterCsv, writeRegisterCsv } from './register-csv';
import type { Valve } from './valve-record';

const valve = (tag: string, over: Partial<Valve> = {}): Valve => ({
  id: tag.toLowerCase(),
  tag,
  name: 'Gully line',
  place: 'Gully; chamber "2"',
  plate,
  target,
  ...over,
});
const { events, run } = rehearsed({ seed: 3 });
const body = unwrap(freezeSheet(run, null));
const newId = () => 'new-id';

describe('gauge lines', () => {
  test('what a gauge sends is read as what it showed', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1000, max: 20_000 }), (tenths) => {
        const line = formatGaugeLine(tenths / 10, 'kPa', 1);
        expect(unwrap(parseGaugeLine(line, 101_325)).si).toBeCloseTo(tenths * 100, 6);
      }),
      { seed: 61 },
    );
  });
  test('a line of noise carries no reading', () => {
    expect(parseGaugeLine('@@ error 4', 101_325).ok).toBe(false);
    expect(parseGaugeLine('4'.repeat(80), 101_325).ok).toBe(false);
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

describe('the register as CSV', () => {
  test('goes out and comes back the same', () => {
    const valves = [
      valve('PRV-1'),
      valve('PRV-2', {
        plate: {
          ...plate,
          fitted_spring: 'red',
          factory_set_point_pa: 4e5,
          accessories: ['strainer', 'speed control'],
        },
      }),
    ];
    const { valves: back, issues } = unwrap(readRegisterCsv(writeRegisterCsv(valves), newId));
    expect(issues).toEqual([]);
    expect(back.map(({ tag }) => tag)).toEqual(['PRV-1', 'PRV-2']);
    expect(back[1]!.plate.fitted_spring).toBe('red');
    expect(back[1]!.plate.accessories).toEqual(['strainer', 'speed control']);
    const sorted = (each: Valve) => [...each.plate.springs].sort((a, b) => a.from_pa - b.from_pa);
    expect(sorted(back[0]!)).toEqual(plate.springs);
    expect({ ...back[0], plate: undefined }).toEqual({ ...valves[0], plate: undefined });
  });

  test('semicolons and decimal commas are read', () => {
    const text = `\uFEFF${writeRegisterCsv([valve('PRV-1', { place: 'Gully' })])
      .replaceAll(',', ';')
      .replaceAll('520000', '520000,5')}`;
    expect(unwrap(readRegisterCsv(text, newId)).valves[0]?.target.set_point_pa).toBe(520_000.5);
  });

  test('wrong rows are named by line and column, good ones kept', () => {
    const [head, ...rows] = writeRegisterCsv([valve('PRV-1'), valve('PRV-2')])
      .trim()
      .split('\n');
    const broken = rows.map((row) => (row.includes('PRV-2') ? row.replace(',80,', ',huge,') : row));
    const { valves, issues } = unwrap(readRegisterCsv([head, ...broken].join('\n'), newId));
    expect(valves.map(({ tag }) => tag)).toEqual(['PRV-1']);
    expect(issues[0]).toMatchObject({ line: 5, column: 'size_dn' });
  });

  test('a valve with one wrong row among its rows is left out whole', () => {
    const [head, ...rows] = writeRegisterCsv([valve('PRV-1'), valve('PRV-2')])
      .trim()
      .split('\n');
    const last = rows.length - 1;
    const broken = rows.map((row, i) => (i === last ? row.replace(',80,', ',huge,') : row));
    const { valves, issues } = unwrap(readRegisterCsv([head, ...broken].join('\n'), newId));
    expect(valves.map(({ tag }) => tag)).toEqual(['PRV-1']);
    expect(issues).toMatchObject([{ line: last + 2, column: 'size_dn' }]);
  });

  test('rows of one valve that contradict one another are named, and it is left out', () => {
    const [head, first, second, ...rest] = writeRegisterCsv([valve('PRV-1')])
      .trim()
      .split('\n');
    const text = [head, first, second!.replace(',80,', ',100,'), ...rest].join('\n');
    const { valves, issues } = unwrap(readRegisterCsv(text, newId));
    expect(valves).toEqual([]);
    expect(issues).toEqual([{ line: 3, column: 'tag', code: 'rows_contradict' }]);
  });

  test('what a file does not speak of stays, and springs keep their order', () => {
    const known = valve('PRV-1', {
      id: 'its-own',
      about: { serial: 'S-1' },
      duty: 'fire',
      target: { ...target, sum: { need_pa: 300_000, rise_m: 4 } },
      plate: { ...plate, fitted_spring: plate.springs.at(-1)!.colour },
    });
    const read = unwrap(readRegisterCsv(writeRegisterCsv([known]), newId)).valves[0]!;
    expect(read.plate.springs).not.toEqual(known.plate.springs);
    expect(overKnown(known, { ...read, id: 'another' })).toEqual(known);
    expect(overKnown(undefined, read)).toBe(read);
  });

  test('a row without an id is given one', () => {
    const text = writeRegisterCsv([valve('PRV-1')]).replaceAll('prv-1,', ',');
    expect(unwrap(readRegisterCsv(text, newId)).valves[0]?.id).toBe('new-id');
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

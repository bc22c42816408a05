import { absolutePa } from '../quantity';
import fc from 'fast-check';
import { lineFormatSchema, pollOf, readLine, shippedFormats, type LineFormat } from './line-format';
import { heardLine, LineCutter, lineTrouble, nothingHeard, type LineHeard } from './line-watch';

const BAROMETER = 101_325;
const [plain, asked, logLine] = shippedFormats as [LineFormat, LineFormat, LineFormat];
const read = (format: LineFormat, line: string) => {
  const result = readLine(format, line, absolutePa(BAROMETER));
  return result.ok ? result.value : result.error.code;
};

describe('a line of a gauge', () => {
  test.each<[LineFormat, string, number | string]>([
    [plain, '416.0 kPa', 416_000],
    [plain, '  -0,35 bar ', -35_000],
    [plain, '14.696 psia', 1],
    [plain, '416', 'line.no_unit'],
    [plain, 'OL', 'line.trouble'],
    [plain, '41k6.0 kPa', 'line.unmatched'],
    [plain, '16.0 degC', 'quantity.wrong_kind'],
    [plain, `${' '.repeat(200)}1 bar`, 'line.too_long'],
    [asked, 'P=+4.1602 bar', 416_020],
    [asked, 'P=LOBAT', 'line.trouble'],
    [asked, '=4.16 bar', 'line.unmatched'],
    [logLine, '2026-11-27 09:00:01; 4.16; 21.3', 416_000],
    [logLine, '09:00:01;ERR', 'line.trouble'],
  ])('%#: "%s"', (format, line, wanted) => {
    const got = read(format, line);
    if (typeof wanted === 'number') expect(Math.abs((got as number) - wanted)).toBeLessThan(2);
    else expect(got).toBe(wanted);
  });

  test('a thermometer is read in degrees, whatever its format counts pressures from', () => {
    const onFace = (format: LineFormat, line: string) =>
      readLine(format, line, absolutePa(BAROMETER), '°C');
    expect(onFace(plain, '61.5 degC')).toEqual({ ok: true, value: 61.5 });
    expect(onFace({ ...plain, reference: 'absolute' }, '61.5 degC')).toMatchObject({ value: 61.5 });
    expect(onFace(plain, '416 kPa')).toMatchObject({ error: { code: 'quantity.wrong_kind' } });
  });

  test('counts are multiplied, and what is measured against nothing is put above the air', () => {
    const counts = { ...plain, unit: 'kPa', factor: 0.1 };
    expect(read(counts, '4160')).toBeCloseTo(416_000, 3);
    const absolute: LineFormat = { ...plain, reference: 'absolute' };
    expect(read(absolute, '101.325 kPa')).toBeCloseTo(0, 3);
    expect(read(absolute, '101.325 kPag')).toBeCloseTo(101_325, 3);
    expect(read(absolute, '14.6959 psia')).toBeCloseTo(0, 0);
  });

  test('what is sent is written with its line ends', () => {
    expect(pollOf(asked)).toBe('P?\r\n');
    expect(pollOf(plain)).toBe('');
  });

  test('a format is taken only where it can be read and names its figure', () => {
    const parse = (over: Partial<LineFormat>) =>
      lineFormatSchema.safeParse({ ...plain, ...over }).success;
    expect(shippedFormats.every((each) => lineFormatSchema.safeParse(each).success)).toBe(true);
    expect(parse({ pattern: '(?<value>' })).toBe(false);
    expect(parse({ pattern: String.raw`(\d+)` })).toBe(false);
    expect(parse({ factor: 0 })).toBe(false);
    expect(parse({ every_s: 0 })).toBe(false);
  });

  test.each<[keyof LineFormat, unknown, unknown]>([
    ['id', 'a'.repeat(40), 'a'.repeat(41)],
    ['name', 'ab', 'a'],
    ['name', 'a'.repeat(80), 'a'.repeat(81)],
    ['baud', 300, 299],
    ['baud', 921_600, 921_601],
    ['unit', 'a'.repeat(12), 'a'.repeat(13)],
    ['factor', 1e6, 1e6 + 1],
    ['poll', 'a'.repeat(40), 'a'.repeat(41)],
    ['every_s', 0.1, 0.09],
    ['every_s', 60, 60.1],
  ])('%s: %p is taken, %p is not', (key, good, bad) => {
    const parses = (value: unknown) =>
      lineFormatSchema.safeParse({ ...plain, [key]: value }).success;
    expect([parses(good), parses(bad)]).toEqual([true, false]);
  });

  test('the ways that ship speak as fast, and are asked as often, as they are known to', () => {
    const known = shippedFormats.map(({ id, baud, every_s: every, factor }) => [
      id,
      baud,
      every,
      factor,
    ]);
    expect(known).toEqual([
      ['figure-unit', 9600, 1, 1],
      ['asked', 19_200, 0.5, 1],
      ['log-line', 115_200, 1, 1],
    ]);
  });
});

describe('what comes over a line', () => {
  test('is cut into whole lines, whatever the pieces, but for the half one at the beginning', () => {
    const text = 'f a line\n1 bar\r\n2 bar\r\n\n3 bar\r\n';
    const cuts = fc.array(fc.integer({ min: 0, max: text.length }), { maxLength: 8 });
    fc.assert(
      fc.property(cuts, (places) => {
        const cutter = new LineCutter();
        const edges = [0, ...places.sort((a, b) => a - b), text.length];
        const pieces = edges.slice(1).map((end, i) => text.slice(edges[i], end));
        expect(pieces.flatMap((piece) => cutter.take(piece))).toEqual(['1 bar', '2 bar', '3 bar']);
      }),
    );
  });

  test('noise without an end is not kept for ever', () => {
    const cutter = new LineCutter();
    for (let i = 0; i < 100; i++) expect(cutter.take('x'.repeat(1000))).toEqual([]);
    cutter.take('\n');
    expect(cutter.take('1 bar\n')).toEqual(['1 bar']);
  });
});

describe('what is wrong with a line', () => {
  const about = { now: 100, every: 1, touchedAt: undefined, low: 0, high: 1_000_000 };
  const well: LineHeard = { ...nothingHeard, lastAt: 99.5, sameSince: 99, shown: 416_000 };

  test.each<
    [string, Partial<LineHeard>, Partial<typeof about> | { touchedAt: number }, string | undefined]
  >([
    ['all is well', {}, {}, undefined],
    ['nothing has come yet', { lastAt: undefined }, {}, undefined],
    ['five seconds of silence', { lastAt: 95 }, {}, undefined],
    ['more', { lastAt: 94.9 }, {}, 'line.silent'],
    ['a slow one is waited for', { lastAt: 94.9 }, { every: 2 }, undefined],
    ['three unread lines', { unread: 3, lastError: { code: 'line.unmatched' } }, {}, undefined],
    ['four', { unread: 4, lastError: { code: 'line.unmatched' } }, {}, 'line.unread'],
    ['at the end of its range', { shown: 1_000_000 }, {}, undefined],
    ['beyond it', { shown: 1_000_001 }, {}, 'line.over_range'],
    ['below it', { shown: -1 }, {}, 'line.over_range'],
    ['two minutes the same', { sameSince: -20 }, {}, undefined],
    ['longer', { sameSince: -20.1 }, {}, 'line.frozen'],
    [
      'the same since before the valve was touched',
      { sameSince: 60 },
      { touchedAt: 79.9 },
      'line.frozen',
    ],
    ['touched a moment ago', { sameSince: 60 }, { touchedAt: 80 }, undefined],
    ['it stirred since it was touched', { sameSince: 81 }, { touchedAt: 79 }, undefined],
  ])('%s', (_, heard, over, wanted) => {
    expect(lineTrouble({ ...well, ...heard }, { ...about, ...over })?.code).toBe(wanted);
  });

  test('says for how long it has been silent, or the same', () => {
    expect(lineTrouble({ ...well, lastAt: 90 }, about)).toEqual({
      code: 'line.silent',
      seconds: 10,
    });
    expect(lineTrouble({ ...well, sameSince: -30 }, about)).toEqual({
      code: 'line.frozen',
      seconds: 130,
    });
  });

  test('is counted from line to line', () => {
    let heard = heardLine(nothingHeard, 1, { ok: true, value: 5 });
    heard = heardLine(heard, 2, { ok: true, value: 5 });
    expect(heard).toMatchObject({ lastAt: 2, sameSince: 1, shown: 5, unread: 0 });
    heard = heardLine(heard, 3, { ok: false, error: { code: 'line.unmatched' } });
    heard = heardLine(heard, 4, { ok: false, error: { code: 'line.trouble', says: 'OL' } });
    expect(heard).toMatchObject({ lastAt: 4, shown: 5, unread: 2, lastError: { says: 'OL' } });
    heard = heardLine(heard, 5, { ok: true, value: 6 });
    expect(heard).toMatchObject({ sameSince: 5, unread: 0, lastError: undefined });
  });
});

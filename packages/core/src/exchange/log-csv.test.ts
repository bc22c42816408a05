import { absolutePa } from '../quantity';
import { unwrap } from '../result';
import { readLogCsv, thinForChart } from './log-csv';

const AIR = 101_325;
const read = (text: string, over = {}) => readLogCsv(text, { barometer: absolutePa(AIR), ...over });
const values = (text: string) => unwrap(read(text)).samples;

describe('a log of time and pressure', () => {
  test.each([
    ['commas and points', 'time (s),pressure (kPa)\n0,100\n1,101.5\n'],
    ['semicolons and decimal commas', 'time (s);pressure (kPa)\n0;100\n1;101,5\n'],
    ['pressure first, a mark before it', '\uFEFFPressure [kPa];Time [s]\n100;0\n101,5;1\n'],
    ['another unit in the header', 'time,pressure (bar)\n0,1.00\n1,1.015\n'],
    ['minutes', 't (min);p (kPa)\n0;100\n0,016666666666666666;101,5\n'],
    ['clock times', 'time;pressure (kPa)\n10:00:00;100\n10:00:01;101.5\n'],
    ['dates', 'date;pressure (kPa)\n2026-11-24 10:00:00;100\n2026-11-24 10:00:01;101.5\n'],
    ['units in the cells, mixed', 'time;pressure\n0;1 bar\n1;101.5 kPa\n'],
    ['words of a logger first', 'Logger 7\nBattery fine\ntime;pressure (kPa)\n0;100\n1;101.5\n'],
  ])('%s', (_, text) => {
    const samples = values(text);
    expect(samples).toHaveLength(2);
    expect(samples[0]).toEqual({ t: 0, value: expect.closeTo(100_000, 3) });
    expect(samples[1]!.t).toBeCloseTo(1, 6);
    expect(samples[1]!.value).toBeCloseTo(101_500, 3);
  });

  test.each([
    ['pressure psig', 14.503774, 100_000],
    ['outlet_psig', 14.503774, 100_000],
    ['barg', 1, 100_000],
    ['P_bar_g', 1, 100_000],
    ['pressure [bar] abs', 2, 200_000 - AIR],
    ['psia', 14.695949, 0],
    ['torr', 750.06168, 100_000],
    ['p (inHg vac)', 20, -67_727.8],
    ['Pressure, kPa', 100, 100_000],
  ])('a column headed %s is understood', (heading, written, pa) => {
    const [first] = values(`time;${heading}\n0;${written}\n1;${written}\n`);
    expect(Math.abs(first!.value - pa)).toBeLessThan(1);
  });

  test('a unit that nobody names is asked for, and taken when it is given', () => {
    for (const text of ['time;pressure\n0;100\n1;101.5\n', '0\t100\n1\t101.5\n']) {
      expect(read(text)).toEqual({ ok: false, error: { code: 'log.unit_not_said' } });
      const [first] = unwrap(read(text, { unit: 'kPa' })).samples;
      expect(first!.value).toBe(100_000);
      expect(unwrap(read(text, { unit: 'kPa abs' })).samples[0]!.value).toBe(100_000 - AIR);
    }
    const strange = 'time;pressure (furlong)\n0;1\n';
    expect(unwrap(read(strange, { unit: 'bar' })).samples[0]!.value).toBe(100_000);
  });

  test('a comma before three digits is not guessed in a cell either', () => {
    const log = unwrap(read('time;p (kPa)\n0;1,234\n1;101,5\n2;0,512\n3;1 180\n'));
    expect(log.samples.map(({ value }) => Math.round(value))).toEqual([101_500, 512, 1_180_000]);
    expect(log.issues).toMatchObject({ notNumbers: 1, firstBadLine: 2 });
  });

  test('wrong rows are counted and named, the good ones kept', () => {
    const log = unwrap(
      read('time;pressure (kPa)\n0;100\n1;low battery\n1;101\n1;102\n0,5;99\n30;104\n;\n'),
    );
    expect(log.samples.map(({ t }) => t)).toEqual([0, 1, 30]);
    expect(log.issues).toEqual({ notNumbers: 1, repeatedTimes: 1, backwards: 1, firstBadLine: 3 });
    expect(log.longestGap).toBe(29);
  });

  test.each([
    ['', 'log.empty'],
    ['  \n', 'log.empty'],
    ['time;pressure (furlong)\n0;1\n', 'log.unknown_unit'],
    ['time;pressure (kPa)\nnever;high\n', 'log.no_rows'],
    [Array.from({ length: 30 }, () => 'hello;world').join('\n'), 'log.no_pressure_column'],
  ])('%j is refused', (text, code) => {
    expect(read(text)).toMatchObject({ ok: false, error: { code } });
  });

  test('one that tells dates says when it began, by its own clock', () => {
    const rows = (first: string, second: string) =>
      `time,pressure (kPa)\n${first},410\n${second},411\n`;
    const startOf = (first: string, second: string) => unwrap(read(rows(first, second))).startsAtMs;
    expect(startOf('2026-11-24T07:30:00Z', '2026-11-24T07:30:01Z')).toBe(
      Date.UTC(2026, 10, 24, 7, 30),
    );
    expect(startOf('2026-11-24 07:30:00', '2026-11-24 07:30:01')).toBe(
      new Date(2026, 10, 24, 7, 30).getTime(),
    );
    expect(startOf('07:30:00', '07:30:01')).toBeUndefined();
    expect(startOf('0', '1')).toBeUndefined();
  });

  test('tells how far it has come, and stops when it is told to', () => {
    const text = `time;pressure (kPa)\n${Array.from({ length: 200_000 }, (_, i) => `${i};${100 + (i % 7)}`).join('\n')}`;
    const shares: number[] = [];
    expect(
      unwrap(read(text, { onProgress: (share: number) => shares.push(share) })).samples,
    ).toHaveLength(200_000);
    expect(shares.length).toBeGreaterThan(1);
    expect(shares.at(-1)).toBe(1);
    expect(read(text, { isCancelled: () => true })).toEqual({
      ok: false,
      error: { code: 'log.cancelled' },
    });
  });
});

test('thinning for a chart keeps every peak', () => {
  const samples = Array.from({ length: 10_000 }, (_, i) => ({
    t: i,
    value: i === 7777 ? 99 : i === 1234 ? -99 : 0,
  }));
  const thin = thinForChart(samples, 400);
  expect(thin.length).toBeLessThanOrEqual(410);
  expect(Math.max(...thin.map(({ value }) => value))).toBe(99);
  expect(Math.min(...thin.map(({ value }) => value))).toBe(-99);
  expect(thin.map(({ t }) => t)).toEqual([...thin.map(({ t }) => t)].sort((a, b) => a - b));
});

import { gaugeSchema, type Gauge } from '../gauge';
import { unwrap } from '../result';
import { gauges } from '../testing/samples';
import { readGaugesCsv, writeGaugesCsv } from './gauges-csv';

const plain = gauges.outlet;
const full: Gauge = {
  ...gauges.inlet,
  unit: 'psi',
  range_high_pa: 1_378_951.458,
  resolution_pa: 3447.378_646,
  accuracy_of: 'reading',
  certificate: { number: 'K-118', laboratory: 'Gate lane, bench 2' },
  corrections: [
    { shown_pa: 0, add_pa: 0 },
    { shown_pa: 689_475.729, add_pa: -3447.4 },
  ],
  as_found: [{ shown_pa: 0, add_pa: 6894.757 }],
  failures: [{ on: '2026-05-01', since: '2026-01-10', why: 'Reads high' }],
  sources: [{ kind: 'current', low: 0, high: 0.024, error: 0.000_01 }],
};
const read = (text: string, known: readonly Gauge[] = []) =>
  unwrap(readGaugesCsv(text, known, () => 'new-id'));
const file = writeGaugesCsv([plain]);
const changed = (from: string, to: string, known: readonly Gauge[] = []) => {
  expect(file).toContain(from);
  return read(file.replace(from, to), known);
};
const rounded = (gauge: Gauge): unknown =>
  JSON.parse(
    JSON.stringify(gaugeSchema.parse(gauge), (_, each: unknown) =>
      typeof each === 'number' ? Number(each.toPrecision(7)) : each,
    ),
  );

describe('gauges as CSV', () => {
  test('go out in the unit of their face, and come back the same', () => {
    const { failures: _, sources: _of, ...told } = full;
    const text = writeGaugesCsv([plain, full]);
    expect(text).toContain('g-04,G-04,psi,0,200,0.5,0.25,reading');
    expect(text).toMatch(/,0: \+0; 100: -0\.5000\d*,/u);
    const { gauges: back, issues } = read(text);
    expect(issues).toEqual([]);
    expect(back.map(({ gauge }) => rounded(gauge))).toEqual([plain, told].map(rounded));
    expect(back.map(({ line }) => line)).toEqual([2, 3]);
  });

  test('over what the house has they change nothing, to the last digit', () => {
    const text = writeGaugesCsv([plain, full]);
    for (const { gauge, before } of read(text, [plain, full]).gauges) expect(gauge).toEqual(before);
  });

  test('what a file has no column for stays; an empty cell takes away what need not be there', () => {
    const text = writeGaugesCsv([full]).replace(',corrections,', ',other,').replace('K-118', '');
    const { gauge } = read(text, [full]).gauges[0]!;
    expect(gauge.certificate).toEqual({ laboratory: 'Gate lane, bench 2' });
    expect(gauge.corrections).toEqual(full.corrections);
    expect([gauge.failures, gauge.sources]).toEqual([full.failures, full.sources]);
  });

  test('another unit is another figure', () => {
    const { gauge } = changed(',kPa,', ',bar,', [plain]).gauges[0]!;
    expect(gauge).toMatchObject({ unit: 'bar', range_high_pa: 1e8 });
  });

  test.each([
    [',kPa,', ',L/min,', 'unit', 'gauge.unit_unknown'],
    [',1000,', ',much,', 'range_high', 'gauge.cannot_be'],
    [',1000,', ',-5,', 'range_high', 'gauge.range_upside_down'],
    [',1000,', ',0,', 'range_high', 'gauge.range_upside_down'],
    [',0.25,', ',,', 'accuracy_percent', 'gauge.cannot_be'],
    [',0.25,', ',30,', 'accuracy_percent', 'gauge.cannot_be'],
    ['2026-01-10', 'spring', 'calibrated_on', 'gauge.cannot_be'],
  ])('%s as %s is named, and the gauge left out', (from, to, column, code) => {
    expect(changed(from, to)).toEqual({ gauges: [], issues: [{ line: 2, column, code }] });
  });

  test('a table that folds, or is none, is named', () => {
    const row = (table: string) => read(file.replace(/,,\n$/u, `,${table},\n`));
    expect(row('0: 0; 100: 5').gauges[0]!.gauge.corrections).toHaveLength(2);
    expect(row('100: -200; 0: 0').issues).toMatchObject([{ column: 'corrections' }]);
    expect(row('a little').issues[0]).toMatchObject({ column: 'corrections' });
  });

  test('a tag that stands there twice counts once; a new gauge without an id gets one', () => {
    const [, row] = file.split('\n');
    expect(read(`${file}${row}`).issues).toEqual([
      { line: 3, column: 'tag', code: 'gauge.tag_twice' },
    ]);
    const spelled = row!.replace('G-12', 'G -12');
    expect(spelled).not.toBe(row);
    expect(read(`${file}${spelled}`).issues).toHaveLength(1);
    expect(changed('g-12,', ',').gauges[0]!.gauge.id).toBe('new-id');
    expect(changed('g-12,', ',', [plain]).gauges[0]!.gauge.id).toBe('g-12');
    expect(readGaugesCsv('tag\nG-1', [], () => 'x')).toMatchObject({ ok: false });
  });
});

import { absolutePa } from '../quantity';
import type { Valve } from '../exchange';
import { familyNames, factGroups, furtherOf } from '../family';
import { unwrap } from '../result';
import { familySamples, type SampleName } from '../testing/family-samples';
import { roundedValve as rounded } from '../testing/rounded';
import { plate, target } from '../testing/samples';
import { columnsOf, headerOf, merged, readHeader } from './valve-columns';
import { readValvesCsv, writeValvesCsv } from './valves-csv';

const writing = { unit: 'kPa', barometer: absolutePa(101_325) };
const valveOf = (name: string, tag: string): Valve => {
  const sample =
    name === 'reducing'
      ? { plate, target }
      : (familySamples[name as SampleName] as (typeof familySamples)['hydraulic']);
  return {
    id: tag.toLowerCase(),
    tag,
    name: 'North hall',
    place: 'Pit 2',
    plate: sample.plate,
    target: sample.target,
    ...('other_targets' in sample ? { other_targets: sample.other_targets } : {}),
  } as unknown as Valve;
};
const names = ['reducing', ...Object.keys(familySamples)];
const all = names.map((name, i) => valveOf(name, `V-${i + 1}`));
const [first, second] = all as [Valve, Valve];
const read = (text: string, register: readonly Valve[] = [], over: Partial<typeof writing> = {}) =>
  unwrap(
    readValvesCsv(text, { register, writing: { ...writing, ...over }, newId: () => 'new-id' }),
  );
/** A file with some cells of its first row changed; undefined takes the column out. */
const withCells = (text: string, cells: Record<string, string | undefined>): string => {
  const [head, row] = text
    .trim()
    .split('\n')
    .map((line) => line.split(',')) as [string[], string[]];
  const gone = new Set<number>();
  for (const [header, cell] of Object.entries(cells)) {
    const at = head.indexOf(header);
    expect([header, at >= 0]).toEqual([header, true]);
    if (cell === undefined) gone.add(at);
    else row[at] = cell;
  }
  const kept = (line: string[]) => line.filter((_, i) => !gone.has(i)).join(',');
  return [head, row].map(kept).join('\n');
};
const file = writeValvesCsv([first], writing);

describe('the register as CSV', () => {
  test('valves of all families go out in one file and come back the same, in any unit', () => {
    for (const unit of ['kPa', 'bar', 'psi']) {
      const text = writeValvesCsv(all, { ...writing, unit });
      const { valves, issues } = read(text, [], { unit });
      expect(issues).toEqual([]);
      expect(valves.map(({ line }) => line)).toEqual(all.map((_, i) => i + 2));
      expect(valves.map(({ valve }) => rounded(valve))).toEqual(all.map(rounded));
    }
  });

  test('over the register it changes nothing to the last digit, whatever stands only there', () => {
    const known = {
      ...first,
      twin: { seed: 3, faults: [], found_pa: 500_000 },
      retired: { why: 'Line taken out', on: '2026-11-01' },
      target: { ...target, set_point_pa: 520_000.123_456_7 },
    } as Valve;
    const text = writeValvesCsv([known], writing);
    expect(read(text, [known]).valves).toEqual([{ line: 2, valve: known, before: known }]);
  });

  test('every column has one name and says its unit', () => {
    for (const family of familyNames) {
      const further = furtherOf(family).map(({ id }) => id);
      const facts = factGroups({ family, further, springs: { main: 3 } }).flatMap(
        (group) => group.facts,
      );
      const columns = facts.flatMap((fact) => columnsOf(fact, writing));
      const headers = columns.map(headerOf);
      expect(new Set(headers.map((header) => readHeader(header).name)).size).toBe(headers.length);
      for (const header of headers) expect(header).not.toMatch(/_pa\b/u);
      for (const { unit, path } of columns)
        expect([path, unit === undefined]).toEqual([
          path,
          !/_(pa|m3s|dn|s|m)$/u.test(path) && unit === undefined,
        ]);
    }
    expect(file.split('\n')[0]).toContain('set_point [kPa]');
    expect(file.split('\n')[0]).toContain('spring 2 rate_per_turn [kPa]');
  });

  test('another unit in a header is read as such, and one in a cell outdoes it', () => {
    const inBar = file.replace('target.set_point [kPa]', 'Target.Set_Point [bar]');
    const bar = read(withCells(inBar, { 'Target.Set_Point [bar]': '5.1' }));
    expect(bar.valves[0]!.valve.target.set_point_pa).toBeCloseTo(510_000, 3);
    const cell = withCells(file, { 'target.set_point [kPa]': '74 psi' });
    expect(read(cell).valves[0]!.valve.target.set_point_pa).toBeCloseTo(510_212, 0);
  });

  test('a header in a unit of another kind is named, and its row left out', () => {
    const wrong = file.replace('target.set_point [kPa]', 'target.set_point [L/min]');
    expect(read(wrong)).toEqual({
      valves: [],
      issues: [{ line: 2, column: 'target.set_point', code: 'register.other_unit' }],
    });
    const flow = file.replace('travel_turns [turns]', 'travel_turns [kPa]');
    expect(read(flow).issues).toMatchObject([{ code: 'register.other_unit' }]);
  });

  test('an instrument has a column for the unit and each end of its signals; one that is spoilt is named', () => {
    const positioner = writeValvesCsv([all[names.indexOf('positioner')]!], writing);
    expect(positioner.split('\n')[0]).toContain('input.unit,input.low,input.high');
    expect(positioner).not.toContain('spring');
    expect(read(withCells(positioner, { 'input.unit': 'steam' })).issues).toEqual([
      { line: 2, column: 'input.unit', code: 'register.no_choice' },
    ]);
    expect(read(withCells(positioner, { 'input.low': 'four' })).issues).toEqual([
      { line: 2, column: 'input.low', code: 'register.no_number' },
    ]);
  });

  test('semicolons, commas for decimals and a byte-order mark are understood', () => {
    const text = withCells(file, { 'target.set_point [kPa]': '520.5' });
    const theirs = `\uFEFF${text.replaceAll(',', ';').replace('520.5', '520,5')}`;
    expect(read(theirs).valves[0]!.valve.target.set_point_pa).toBe(520_500);
  });

  test('wrong rows are named by line and column, good ones kept', () => {
    const rows = writeValvesCsv([first, second], writing).trim().split('\n');
    const broken = [...rows, rows[1]!.replace('V-1', 'V-9').replace(',80,', ',huge,')].join('\n');
    const { valves, issues } = read(broken);
    expect(valves.map(({ valve }) => valve.tag)).toEqual(['V-1', 'V-2']);
    expect(issues).toEqual([{ line: 4, column: 'size', code: 'register.no_number' }]);
  });

  test('what is missing, of no family, twice there or against itself is named', () => {
    const rows = file.trim().split('\n');
    expect(read([...rows, rows[1]!].join('\n')).issues).toEqual([
      { line: 3, column: 'tag', code: 'register.tag_twice' },
    ]);
    const other = rows[1]!.replace('V-1', ' v-1');
    expect(other).not.toBe(rows[1]);
    expect(read([...rows, other].join('\n')).issues).toEqual([
      { line: 3, column: 'tag', code: 'register.tag_twice' },
    ]);
    expect(read(withCells(file, { family: 'teapot' })).issues).toEqual([
      { line: 2, column: 'family', code: 'register.no_choice' },
    ]);
    expect(read(withCells(file, { 'target.limit [kPa]': '' })).issues).toEqual([
      { line: 2, column: 'target.limit', code: 'register.missing' },
    ]);
    const low = withCells(file, { 'outlet_rating [kPa]': '300' });
    expect(read(low)).toMatchObject({ valves: [], issues: [{ line: 2, column: 'V-1' }] });
    expect(readValvesCsv('fish,chips\n1,2', { register: [], writing, newId: () => 'x' })).toEqual({
      ok: false,
      error: { code: 'csv.missing_columns', columns: ['tag', 'family'] },
    });
  });

  test('what has no column stays; an empty cell takes away what need not be said', () => {
    const known = { ...first, about: { serial: 'S-118', seal: 'L-4' } } as Valve;
    const text = writeValvesCsv([known], writing);
    const less = withCells(text, { 'about.serial': undefined, 'about.seal': '' });
    expect(read(less, [known]).valves[0]!.valve.about).toEqual({ serial: 'S-118' });
  });

  test('springs without a column stay in their chart; those with empty cells go', () => {
    expect(first.plate.springs.length).toBeGreaterThan(1);
    const headers = file
      .split('\n')[0]!
      .split(',')
      .filter((header) => header.startsWith('spring 2'));
    expect(headers).toHaveLength(4);
    const each = (cell: string | undefined) =>
      withCells(file, Object.fromEntries(headers.map((header) => [header, cell])));
    expect(read(each(undefined), [first]).valves[0]!.valve).toEqual(first);
    if (first.plate.springs.length === 2)
      expect(read(each(''), [first]).valves[0]!.valve.plate.springs).toHaveLength(1);
  });

  test('a valve is known by its tag, else by its id; a new one without an id gets one', () => {
    const renamed = withCells(file, { tag: 'V-1A' });
    expect(read(renamed, [first]).valves).toMatchObject([
      { valve: { id: 'v-1', tag: 'V-1A' }, before: first },
    ]);
    const other = withCells(file, { id: 'elsewhere' });
    expect(read(other, [first]).valves[0]!.valve.id).toBe('v-1');
    expect(read(withCells(file, { id: '' })).valves[0]!.valve.id).toBe('new-id');
  });
});

describe('orders of names as one', () => {
  test('what is new comes after what it followed', () => {
    expect(
      merged([
        ['a', 'c'],
        ['a', 'b', 'c', 'd'],
        ['x', 'a'],
      ]),
    ).toEqual(['x', 'a', 'b', 'c', 'd']);
    expect(merged([])).toEqual([]);
  });
});

describe('places in the file', () => {
  const places = [
    { id: 'w', name: 'Works', altitude_m: 0 },
    { id: 'b', name: 'Upper bowl', under: 'w', altitude_m: 2000 },
  ];
  const there = { ...writing, places };
  const inBowl: Valve = { ...first, place_id: 'b' };
  const take = (text: string, register: readonly Valve[] = []) =>
    unwrap(readValvesCsv(text, { register, writing: there, newId: () => 'new-id' }));

  test('stand as their path, and come back as what they are', () => {
    const text = writeValvesCsv([inBowl], there);
    expect(text).toContain('Works / Upper bowl');
    expect(take(text).valves[0]!.valve.place_id).toBe('b');
    const unknown = take(text.replace('Works / Upper bowl', 'Works / Cellar'));
    expect(unknown.valves).toEqual([]);
    expect(unknown.issues).toEqual([{ line: 2, column: 'place_id', code: 'register.no_place' }]);
  });

  test('what is written above nothing is read in the air of the valve’s own place', () => {
    const cell = { 'target.set_point [kPa]': '"520.5 kPaa"' };
    const at = (valve: Valve) =>
      take(withCells(writeValvesCsv([valve], there), cell)).valves[0]!.valve.target.set_point_pa;
    expect(at(first)).toBeCloseTo(520_500 - 101_325, 0);
    // The standard atmosphere at 2000 m.
    expect(at(inBowl)).toBeCloseTo(520_500 - 79_495, -1);
  });
});

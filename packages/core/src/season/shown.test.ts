import { readCsv } from '../exchange/csv-table';
import { systemFrom } from '../ladder';
import { unwrap } from '../result';
import type { ValveVisit } from '../sheet';
import { gauge, plate, target } from '../testing/samples';
import { defaultHouseRules } from '../valve';
import {
  driftShown,
  excessShown,
  foundOutside,
  gaugesShown,
  hoursShown,
  movesShown,
  writeShownCsv,
  type ToldBy,
} from './shown';

const ms = (day: string) => Date.parse(`${day}T10:00:00Z`);
const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);
const set = target.set_point_pa;
const visit = (day: string, found: number | null, over: object = {}): ValveVisit =>
  ({
    id: day,
    hash: day,
    body: {
      plate: { family: 'reducing', fitted_spring: 'green' },
      started_at_ms: ms(day) - 30 * 60_000,
      signed_at_ms: ms(day),
      gauges: { outlet: gauge('G-12', 1000) },
      settings: [{ role: 'outlet', target, as_found_pa: found, as_left_pa: set, dots: [] }],
      ...over,
    },
  }) as unknown as ValveVisit;
const valve = (place: string) => ({ place, plate, target });
const past = set + target.tolerance_pa + 1;
const red = { plate: { family: 'gas', fitted_spring: 'red' } };

describe('which were found outside their lane', () => {
  const visits = new Map([
    ['a', [visit('2025-01-10', past), visit('2026-02-10', set), visit('2026-05-10', null)]],
    ['b', [visit('2026-03-10', past, red), visit('2026-04-10', set + target.tolerance_pa, red)]],
  ]);
  const known = new Map([
    ['a', valve('Terrace, pit 1')],
    ['b', valve('Lodge')],
  ]);
  const told = (by: ToldBy, from = 0) =>
    foundOutside(visits, known, { by, from }).map(({ label, value, count }) => [
      label,
      value,
      count,
    ]);

  test('by kind, spring and place, the worst first; a visit that read nothing counts for nothing', () => {
    expect(told('spring')).toEqual([
      ['green', 0.5, 2],
      ['red', 0.5, 2],
    ]);
    expect(told('area', ms('2026-01-01'))).toEqual([
      ['Lodge', 0.5, 2],
      ['Terrace', 0, 1],
    ]);
    expect(told('family').map(([label]) => label)).toEqual([
      'Gas pressure regulator',
      'Pilot-operated reducing valve',
    ]);
  });

  test('by how long each had been left alone, the first visit of all left out', () => {
    expect(told('left_alone')).toEqual([
      ['one to two years', 0, 1],
      ['under half a year', 0, 1],
    ]);
  });
});

describe('what else the records show', () => {
  test('drift as lanes a year, the middle of the valves that have a spring', () => {
    const year = (n: number, rise: number) => visit(`20${20 + n}-01-01`, set + rise);
    const drifting = (rise: number) => [year(0, 0), year(1, rise), year(2, rise), year(3, rise)];
    const tolerance = target.tolerance_pa;
    const visits = new Map([
      ['a', drifting(tolerance)],
      ['b', drifting(2 * tolerance)],
      ['c', drifting(-3 * tolerance)],
      ['d', [year(0, 0)]],
    ]);
    const known = new Map(['a', 'b', 'c', 'd'].map((id) => [id, valve('Terrace, pit')]));
    const [row] = driftShown(visits, known, 'area');
    expect(row).toMatchObject({ label: 'Terrace', count: 3 });
    expect(row!.value).toBeCloseTo(2, 2);
    expect(driftShown(visits, known, 'spring')).toHaveLength(1);
  });

  test('moves of records, practice and what was not turned left out', () => {
    const sheet = (turns: readonly number[], over: object = {}) =>
      ({
        body: {
          ...visit('2026-03-10', set).body,
          rehearsal: false,
          settings: [{ dots: turns.map((each) => ({ turns: each, pressure_pa: set })) }],
          ...over,
        },
      }) as unknown as Parameters<typeof movesShown>[0][number];
    const sheets = [
      sheet([0, 1, 0.5]),
      sheet([0, 1, 0.5, 0.25, 0.1]),
      sheet([0]),
      sheet([0, 1], { rehearsal: true }),
      sheet([0, 1], { signed_at_ms: ms('2020-01-01') }),
    ];
    expect(movesShown(sheets, ms('2026-01-01'))).toEqual([
      { label: 'Pilot-operated reducing valve', value: 3, count: 2 },
    ]);
  });

  test('hours planned against used, week by week, of days that are over', () => {
    const on = (valve_id: string, day: string) => ({ valve_id, day, person_id: 'p' });
    const plan = [
      on('a', '2026-11-24'),
      on('b', '2026-11-29'),
      on('c', '2026-12-01'),
      on('c', '2026-12-02'),
    ];
    const visits = new Map([
      ['a', [visit('2026-11-26', set)]],
      ['b', [visit('2026-11-30', set)]],
    ]);
    const seen = hoursShown({ from: '2026-11-23', weeks: 3, plan }, visits, {
      today: '2026-12-02',
      minutesOf: () => 40,
      dayOf,
    });
    expect(seen).toEqual([
      { week: '2026-11-23', planned: 80, used: 30, done: 1, missed: 1 },
      { week: '2026-11-30', planned: 40, used: 0, done: 0, missed: 1 },
    ]);
  });

  test('what excess costs, of systems that were read; one that nobody read is not shown', () => {
    const unit = systemFrom('hydraulic', defaultHouseRules, {
      id: 'u',
      name: 'Unit',
      site_id: 's',
    });
    const economy = { ...unit.economy, flow_m3s: 1e-3, hours_per_year: 1000, price_per_kwh: 0.3 };
    const high = unit.rungs.map((rung) =>
      rung.kind === 'compensator' ? { ...rung, found_pa: 40e6 } : rung,
    );
    const [row, none] = excessShown([
      { ...unit, economy },
      { ...unit, economy, rungs: high },
    ]);
    expect(none).toBeUndefined();
    expect(row).toMatchObject({ label: 'Unit', count: 1 });
    // So much over the compensator's own target, at a litre a second.
    expect(row!.value).toBeGreaterThan(0);
    const twice = excessShown([
      { ...unit, economy: { ...economy, price_per_kwh: 0.6 }, rungs: high },
    ]);
    expect(twice[0]!.value).toBeCloseTo(2 * row!.value, 6);
  });

  test('what rests on which gauge, and how often it failed', () => {
    const failed = { on: '2026-05-01', since: '2026-01-01', why: 'Fell' };
    const other = { ...gauge('G-13', 1000), failures: [failed] };
    const visits = new Map([['a', [visit('2026-03-10', set), visit('2026-04-10', set)]]]);
    expect(gaugesShown([other, gauge('G-12', 1000)], visits)).toEqual([
      { tag: 'G-12', judged: 2, failed: 0, due: gauge('G-12', 1000).calibration_due_on },
      { tag: 'G-13', judged: 0, failed: 1, due: other.calibration_due_on },
    ]);
  });

  test('a CSV of it reads back', () => {
    const rows = [{ label: 'Lodge', value: 1 / 3, count: 3 }];
    const csv = unwrap(
      readCsv(writeShownCsv(['area', 'share', 'visits'], rows), ['area', 'share']),
    );
    expect(csv.rows[0]!.cells).toEqual({ area: 'Lodge', share: '0.333333', visits: '3' });
  });
});

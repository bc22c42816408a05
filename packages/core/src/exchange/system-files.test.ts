import {
  ruleSchema,
  settingOrder,
  solveLadder,
  systemFrom,
  templateIds,
  type System,
} from '../ladder';
import { unwrap } from '../result';
import type { Sheet } from '../sheet';
import { plate, target } from '../testing/samples';
import { defaultHouseRules as rules } from '../valve';
import { readJsonFile } from './json-files';
import { readSystemCsv, systemFile, systemFileSchema, writeSystemCsv } from './system-files';
import { takeOver, withFound } from './take-over';
import type { Valve } from './valve-record';

const make = (id: (typeof templateIds)[number]): System =>
  systemFrom(id, rules, { id, name: id, site_id: 's' });

/** What hangs on zone 1. */
const serves = (id: string, sum: object, why = id) =>
  ruleSchema.parse({
    id,
    kind: 'serves',
    rung: 'zone_1',
    sum,
    density_kgm3: 998.2,
    why,
    from: 'measured',
  });

describe('a system as a file', () => {
  test.each(templateIds)('%s comes back from CSV and JSON as it went', (id) => {
    const system = make(id);
    const csv = unwrap(readSystemCsv(writeSystemCsv(system)));
    expect(csv).toEqual({ rungs: system.rungs, rules: system.rules, issues: [] });
    expect(
      unwrap(readJsonFile(JSON.stringify(systemFile(system)), systemFileSchema)).system,
    ).toEqual(system);
  });
  test('what hangs on a rung comes back from CSV with all its parts, and with the fewest', () => {
    const system = make('pump_station');
    const all = {
      need_pa: 3e5,
      loss_pa: 25_000,
      rise_m: -12,
      lowest_rating_pa: 1e6,
      drop_m: 30.5,
    };
    const rules = [serves('all', all), serves('least', { need_pa: 1e5 })];
    const csv = writeSystemCsv({ ...system, rules });
    expect(unwrap(readSystemCsv(csv))).toEqual({ rungs: system.rungs, rules, issues: [] });
  });
  test('wrong rows are named by line and column', () => {
    const wrong = [
      'rung,x,X,teapot',
      'neither,y,,relief',
      'rule,z,,at_least,,,,,,,,,,duty,,many,,,,,,,,,own,why',
    ];
    const csv = [writeSystemCsv(make('blower')).trim(), ...wrong, ''].join('\n');
    const read = unwrap(readSystemCsv(csv));
    expect(read.rungs).toHaveLength(3);
    expect(read.issues.map(({ column }) => column)).toEqual(
      expect.arrayContaining(['kind', 'row', 'pa']),
    );
  });
  test('a file without its columns, or of another kind, is refused', () => {
    expect(readSystemCsv('a,b\n1,2\n')).toMatchObject({ error: { code: 'csv.missing_columns' } });
    expect(readJsonFile('{"format":"other"}', systemFileSchema)).toMatchObject({
      error: { code: 'file.not_ours', path: 'format' },
    });
  });
});

describe('taken over into the register', () => {
  const valve = (id: string, over: Partial<Valve> = {}): Valve => ({
    id,
    tag: id.toUpperCase(),
    name: id,
    place: '',
    plate,
    target,
    ...over,
  });
  const registerOf = (...valves: readonly Valve[]) => ({ valves, rules });
  const station = make('pump_station');
  const held = {
    ...station,
    rungs: station.rungs.map((rung) =>
      rung.id === 'zone_1'
        ? { ...rung, valve_id: 'prv' }
        : rung.id === 'zone_2'
          ? { ...rung, valve_id: 'low' }
          : rung,
    ),
  };
  const ladder = unwrap(solveLadder(held));
  const order = settingOrder(held, ladder);
  test('targets carry the reason that decides them, in setting order', () => {
    const taken = takeOver(
      held,
      ladder,
      order,
      registerOf(valve('prv'), valve('low'), valve('other')),
    );
    expect(taken.order).toEqual(['prv', 'low']);
    expect(taken.refused).toEqual([]);
    expect(taken.valves[0]!.target).toMatchObject({
      set_point_pa: 560_000,
      why: 'Zone 1: its highest hydrant needs it',
      tolerance_pa: target.tolerance_pa,
    });
  });
  describe('with the sum of what hangs on it', () => {
    const sum = { need_pa: 400_000, loss_pa: 20_000, rise_m: 10, lowest_rating_pa: 8e5, drop_m: 5 };
    const withSum = (id: string, more: System['rules'] = []) => {
      const rules = [
        ...held.rules.filter((rule) => !('rung' in rule && rule.rung === 'zone_1')),
        serves(id, sum, 'The gun at the top'),
        ...more,
      ];
      const system = { ...held, rules };
      const own = unwrap(solveLadder(system));
      const [taken] = takeOver(
        system,
        own,
        settingOrder(system, own),
        registerOf(valve('prv', { target: { ...target, limit_pa: 9e5, sum: { need_pa: 1 } } })),
      ).valves;
      return taken!.target;
    };
    test('the target carries the sum, and its limit comes down to what the lowest point bears', () => {
      const taken = withSum('gun');
      expect(taken.set_point_pa).toBeCloseTo(420_000 + 97_890, 0);
      expect(taken).toMatchObject({ sum, why: 'The gun at the top' });
      // 8 bar less 5 m of water, less a tenth of what it holds.
      expect(taken.limit_pa).toBeCloseTo(8e5 - 48_945 - 51_789, 0);
    });
    test('a sum that another rule goes over is left out, and the limit still holds', () => {
      const taken = withSum('gun', [
        {
          id: 'more',
          kind: 'at_least',
          rung: 'zone_1',
          pa: 6e5,
          why: 'More by the maker',
          from: 'maker',
        },
      ]);
      expect(taken).toMatchObject({ set_point_pa: 6e5, why: 'More by the maker' });
      expect(taken).not.toHaveProperty('sum');
      expect(taken.limit_pa).toBeLessThan(7e5 + 1);
    });
  });
  test('a sum of before that the ladder goes over is left out; one that it keeps to stays', () => {
    const by = (need_pa: number) =>
      takeOver(
        held,
        ladder,
        order,
        registerOf(valve('prv', { target: { ...target, sum: { need_pa } } })),
      ).valves[0]!.target.sum;
    expect(by(560_000 + target.tolerance_pa)).toEqual({ need_pa: 560_000 + target.tolerance_pa });
    expect(by(561_000 + target.tolerance_pa)).toBeUndefined();
  });
  test('a valve that cannot hold its target keeps the old one and says why', () => {
    const weak = valve('prv', { plate: { ...plate, outlet_rating_pa: 500_000 } });
    const taken = takeOver(held, ladder, order, registerOf(weak));
    expect(taken.valves).toEqual([]);
    expect(taken.refused[0]!.valve.target).toEqual(target);
    expect(taken.refused[0]!.issue.code).toMatch(/rating/);
  });
});

describe('what the last sheets found', () => {
  const sheet = (valve_id: string, day: number, found: number | null, adjuster = 'main') =>
    ({
      id: `${valve_id}-${day}`,
      body: { valve_id, signed_at_ms: day, settings: [{ adjuster, as_found_pa: found }] },
    }) as unknown as Sheet;
  const system = make('pump_station');
  const held = {
    ...system,
    rungs: system.rungs.map((rung) =>
      rung.id === 'zone_1' ? { ...rung, valve_id: 'prv', found_pa: 1 } : rung,
    ),
  };
  const foundOf = (sheets: readonly Sheet[]) =>
    withFound(held, sheets).rungs.find(({ id }) => id === 'zone_1')!.found_pa;

  test('is that of the latest sheet of the valve that has one', () => {
    expect(
      foundOf([sheet('prv', 1, 500_000), sheet('prv', 3, null), sheet('prv', 2, 590_000)]),
    ).toBe(590_000);
  });

  test('leaves a rung alone whose valve, or adjuster, has no sheet', () => {
    expect(foundOf([sheet('other', 5, 500_000), sheet('prv', 6, 400_000, 'cross_a')])).toBe(1);
    expect(withFound(system, [sheet('prv', 1, 5)])).toEqual(system);
  });
});

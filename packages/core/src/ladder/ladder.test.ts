import fc from 'fast-check';
import { seededRandom } from '../numerics';
import { kPa } from '../quantity';
import { unwrap } from '../result';
import { defaultHouseRules as house } from '../valve';
import { checkSystem } from './check-system';
import { lockupOf } from './compile-rules';
import { DRAG_RULE, dragRung } from './drag-rung';
import { drivenExcess, excessHeat, foundBeside } from './found-beside';
import { settingOrder } from './setting-order';
import { settingPlan } from './setting-plan';
import { solveLadder, type Ladder } from './solve-ladder';
import { systemSchema, type Rule, type Rung, type System } from './system';
import { systemFrom, templateIds } from './templates';

const rung = (id: string, over: Partial<Rung> = {}): Rung => ({
  id,
  name: id,
  kind: 'reducing',
  tolerance_pa: 0,
  ...over,
});
const base = (id: string) => ({ id, why: `because ${id}`, from: 'own' }) as const;
const atLeast = (r: string, pa: number): Rule => ({
  ...base(`${r}>=${pa}`),
  kind: 'at_least',
  rung: r,
  pa,
});
const atMost = (r: string, pa: number, over = {}): Rule => ({
  ...base(`${r}<=${pa}`),
  kind: 'at_most',
  rung: r,
  pa,
  ...over,
});
const fixed = (r: string, pa: number): Rule => ({
  ...base(`${r}=${pa}`),
  kind: 'fixed',
  rung: r,
  pa,
});
const above = (high: string, low: string, by: number, over = {}): Rule => ({
  ...base(`${high}>${low}`),
  kind: 'above_by',
  high,
  low,
  by_pa: by,
  ...over,
});
const between = (r: string, b: string, least: number, most: number): Rule => ({
  ...base(`${r}~${b}`),
  kind: 'between',
  rung: r,
  base: b,
  least_pa: least,
  most_pa: most,
});
const serves = (
  r: string,
  sum: Extract<Rule, { kind: 'serves' }>['sum'],
  density = 1000,
): Rule => ({
  ...base(`${r} serves`),
  kind: 'serves',
  rung: r,
  sum,
  density_kgm3: density,
});
const template = (id: (typeof templateIds)[number]) =>
  systemFrom(id, house, { id, name: id, site_id: 's' });
const pressures = ({ targets }: Ladder) => Object.fromEntries(targets.map((t) => [t.rung, t.pa]));

/** Whether given pressures satisfy every rule, written out again by hand. */
function holds(
  { rungs, rules }: Pick<System, 'rungs' | 'rules'>,
  pa: Readonly<Record<string, number>>,
): boolean {
  const of = (id: string) => rungs.find((r) => r.id === id)!;
  const top = (
    id: string,
    rule: { counts_lockup?: boolean | undefined; counts_accumulation?: boolean | undefined },
  ) =>
    pa[id]! +
    of(id).tolerance_pa +
    (rule.counts_lockup ? lockupOf(of(id), pa[id]!) : 0) +
    (rule.counts_accumulation ? (of(id).accumulation_pa ?? 0) : 0);
  return rules.every((rule) => {
    const e = 0.5;
    if (rule.kind === 'above_by')
      return pa[rule.high]! - of(rule.high).tolerance_pa + e >= top(rule.low, rule) + rule.by_pa;
    if (rule.kind === 'between')
      return (
        pa[rule.rung]! - pa[rule.base]! >= rule.least_pa - e &&
        pa[rule.rung]! - pa[rule.base]! <= rule.most_pa + e
      );
    if (rule.kind === 'at_most') return top(rule.rung, rule) <= rule.pa + e;
    if (rule.kind === 'at_least') return pa[rule.rung]! + e >= rule.pa;
    if (rule.kind === 'serves') {
      const { need_pa: need, loss_pa: loss = 0, rise_m: rise = 0 } = rule.sum;
      const { lowest_rating_pa: rating = Infinity, drop_m: drop = 0 } = rule.sum;
      const column = (metres: number) => rule.density_kgm3 * 9.80665 * metres;
      const holds = pa[rule.rung]! + e >= need + loss + column(rise);
      return holds && top(rule.rung, { ...rule, counts_lockup: true }) <= rating - column(drop) + e;
    }
    return Math.abs(pa[rule.rung]! - rule.pa) <= e;
  });
}

/** A random system: always sound, sometimes impossible. */
const systems = fc.integer({ min: 1, max: 100_000 }).map((seed) => {
  const random = seededRandom(seed);
  const count = 2 + Math.floor(random.uniform() * 7);
  const rungs = Array.from({ length: count }, (_, i) =>
    rung(`r${i}`, {
      tolerance_pa: Math.round(random.between(0, 5)),
      ...(random.uniform() < 0.4 ? { lockup: { fraction: 0.1, least_pa: 5 } } : {}),
    }),
  );
  const rules: Rule[] = rungs.map(({ id }) => atLeast(id, Math.round(random.between(0, 50))));
  for (let k = 0; k < count * 1.5; k++) {
    const [a, b] = [Math.floor(random.uniform() * count), Math.floor(random.uniform() * count)];
    if (a === b) continue;
    const pick = random.uniform();
    const by = Math.round(random.between(-20, 40));
    const rule =
      pick < 0.6
        ? above(`r${a}`, `r${b}`, by, { counts_lockup: random.uniform() < 0.3 })
        : pick < 0.8
          ? between(`r${a}`, `r${b}`, by, by + 20)
          : pick < 0.9
            ? atMost(`r${a}`, Math.round(random.between(40, 200)))
            : serves(`r${a}`, { need_pa: 10, rise_m: by / 100, lowest_rating_pa: 200 }, 10);
    rules.push({ ...rule, id: `${rule.id}#${k}` });
  }
  return { rungs, rules };
});

describe('the least ladder', () => {
  test('stands as low as its rules allow, tolerances counted', () => {
    const rungs = [rung('a', { tolerance_pa: 10 }), rung('b', { tolerance_pa: 20 })];
    const ladder = unwrap(solveLadder({ rungs, rules: [atLeast('a', 100), above('b', 'a', 50)] }));
    expect(pressures(ladder)).toEqual({ a: 100, b: 180 });
    expect(ladder.targets[1]!.decidedBy?.id).toBe('b>a');
    expect(ladder.slacks.map(({ slack }) => slack)).toEqual([0, 0]);
  });

  test('a rung that serves a point stands at what that wants, what is lost, and the column up to it', () => {
    const rungs = [rung('main'), rung('other')];
    const sum = { need_pa: 300_000, loss_pa: 25_000, rise_m: 12 };
    const by = (density: number) =>
      unwrap(solveLadder({ rungs, rules: [serves('main', sum, density), atLeast('other', 0)] }));
    expect(pressures(by(998.2))['main']).toBeCloseTo(325_000 + 998.2 * 9.80665 * 12, 6);
    expect(by(998.2).targets[0]!.decidedBy?.kind).toBe('serves');
    expect(pressures(by(0))['main']).toBe(325_000);
  });

  test('its lowest point bears the pressure, its tolerance, its lockup and the column down, and no more', () => {
    const rungs = [
      rung('main', { tolerance_pa: 2000, lockup: { fraction: 0.1, least_pa: 50_000 } }),
    ];
    // 600 000 + 2 000 + 60 000 + 10 m of 1 000 kg/m³
    const bears = 662_000 + 98_066.5;
    const bearing = (lowest_rating_pa: number) =>
      solveLadder({
        rungs,
        rules: [serves('main', { need_pa: 600_000, lowest_rating_pa, drop_m: 10 })],
      });
    expect(pressures(unwrap(bearing(bears + 1)))['main']).toBe(600_000);
    expect(unwrap(bearing(bears + 1)).slacks[0]!.slack).toBeCloseTo(0, 6);
    expect(bearing(bears - 1)).toMatchObject({
      error: { code: 'ladder.clash', rules: [{ kind: 'serves' }] },
    });
  });

  test('lockup that is a share is taken at the pressure it comes to', () => {
    const rungs = [
      rung('zone', { lockup: { fraction: 0.1, least_pa: 50 } }),
      rung('relief', { kind: 'relief' }),
    ];
    const rules = [atLeast('zone', 1000), above('relief', 'zone', 0, { counts_lockup: true })];
    expect(pressures(unwrap(solveLadder({ rungs, rules })))['relief']).toBe(1100);
  });

  test('lockup that feeds on itself is a clash, not an endless sum', () => {
    const rungs = [
      rung('a', { lockup: { fraction: 0.5, least_pa: 1 } }),
      rung('b', { lockup: { fraction: 0.5, least_pa: 1 } }),
    ];
    const rules = [
      atLeast('a', 100),
      above('a', 'b', 0, { counts_lockup: true }),
      above('b', 'a', 0, { counts_lockup: true }),
    ];
    const aside = [rung('c'), rung('d')];
    const others = [atLeast('c', 50), atLeast('b', 20), above('d', 'c', 10)];
    const solved = solveLadder({ rungs: [...rungs, ...aside], rules: [...rules, ...others] });
    if (solved.ok || solved.error.code !== 'ladder.clash') throw new Error('it holds');
    // The two that feed one another climb by themselves: no other rule has a part in it.
    expect(new Set(solved.error.rules)).toEqual(new Set(rules.slice(1)));
  });

  test('accumulation counts against a rating', () => {
    const rungs = [rung('relief', { kind: 'relief', accumulation_pa: 60 })];
    const clash = solveLadder({
      rungs,
      rules: [atLeast('relief', 950), atMost('relief', 1000, { counts_accumulation: true })],
    });
    expect(clash).toMatchObject({ ok: false, error: { code: 'ladder.clash', excess: 10 } });
  });

  test('every answer satisfies every rule, and nothing could stand lower', () => {
    fc.assert(
      fc.property(systems, (system) => {
        const solved = solveLadder(system);
        if (!solved.ok) return;
        const pa = pressures(solved.value);
        expect(holds(system, pa)).toBe(true);
        for (const { slack } of solved.value.slacks) expect(slack).toBeGreaterThanOrEqual(0);
        for (const { rung: id } of solved.value.targets)
          expect(holds(system, { ...pa, [id]: pa[id]! - 2 })).toBe(false);
      }),
      { seed: 21, numRuns: 300 },
    );
  });

  test('a clash is minimal: without any one of its rules the rest agree', () => {
    let seen = 0;
    fc.assert(
      fc.property(systems, ({ rungs, rules }) => {
        const solved = solveLadder({ rungs, rules });
        if (solved.ok || solved.error.code !== 'ladder.clash' || solved.error.excess === 0) return;
        const clash = solved.error.rules;
        seen += 1;
        // Rungs that the clash leaves free stand anywhere: a floor far below shows that it holds by itself.
        const floors = rungs.map(({ id }) => atLeast(id, -10_000));
        expect(solveLadder({ rungs, rules: [...clash, ...floors] })).toMatchObject({
          error: { code: 'ladder.clash' },
        });
        for (const left of clash) {
          const rest = solveLadder({
            rungs,
            rules: [...clash.filter((rule) => rule !== left), ...floors],
          });
          expect(rest.ok).toBe(true);
        }
      }),
      { seed: 22, numRuns: 400 },
    );
    expect(seen).toBeGreaterThan(30);
  });

  test('a larger margin never lowers a rung', () => {
    fc.assert(
      fc.property(
        systems,
        fc.nat(50),
        fc.integer({ min: 1, max: 30 }),
        ({ rungs, rules }, pick, more) => {
          const at = pick % rules.length;
          const rule = rules[at]!;
          if (rule.kind !== 'above_by') return;
          const before = solveLadder({ rungs, rules });
          const after = solveLadder({
            rungs,
            rules: rules.map((each, i) =>
              i === at ? { ...rule, by_pa: rule.by_pa + more } : each,
            ),
          });
          if (!before.ok || !after.ok) return;
          after.value.targets.forEach(({ pa }, i) =>
            expect(pa).toBeGreaterThanOrEqual(before.value.targets[i]!.pa - 0.5),
          );
        },
      ),
      { seed: 23, numRuns: 300 },
    );
  });

  test('contradictory fixed figures are both named', () => {
    const solved = solveLadder({ rungs: [rung('a')], rules: [fixed('a', 500), fixed('a', 700)] });
    expect(
      !solved.ok &&
        solved.error.code === 'ladder.clash' &&
        solved.error.rules.map(({ id }) => id).sort(),
    ).toEqual(['a=500', 'a=700']);
  });

  test('a rung that nothing holds up is said', () => {
    const solved = solveLadder({ rungs: [rung('a'), rung('lost')], rules: [atLeast('a', 1)] });
    expect(solved).toEqual({ ok: false, error: { code: 'ladder.no_floor', rungs: ['lost'] } });
  });

  test('a clash among rungs that nothing holds up is said before that', () => {
    const rungs = [rung('a'), rung('x'), rung('y')];
    const round = [above('x', 'y', 10), above('y', 'x', 10)];
    const solved = solveLadder({ rungs, rules: [atLeast('a', 1), ...round] });
    expect(!solved.ok && solved.error).toMatchObject({
      code: 'ladder.clash',
      rules: expect.arrayContaining(round),
    });
    const apart = solveLadder({ rungs, rules: [atLeast('a', 1), round[0]!] });
    expect(!solved.ok && !apart.ok && apart.error).toMatchObject({
      code: 'ladder.no_floor',
      rungs: ['x', 'y'],
    });
  });
});

describe('what is wrong with a system', () => {
  const codes = (rungs: Rung[], rules: Rule[] = []) =>
    checkSystem({ rungs, rules }).map(({ code }) => code);
  test.each<[string, Rung[], Rule[]]>([
    ['ladder.no_source', [rung('a', { fed_by: 'b' }), rung('b', { fed_by: 'a' })], []],
    [
      'ladder.feeding_loop',
      [rung('a', { fed_by: 'b' }), rung('b', { fed_by: 'c' }), rung('c', { fed_by: 'a' })],
      [],
    ],
    ['ladder.name_twice', [rung('a', { name: 'Pump' }), rung('b', { name: 'pump ' })], []],
    ['ladder.id_twice', [rung('a'), rung('a', { name: 'other' })], []],
    ['ladder.feeder_unknown', [rung('a', { fed_by: 'ghost' })], []],
    ['ladder.rung_unknown', [rung('a')], [above('a', 'ghost', 1)]],
    ['ladder.rule_of_itself', [rung('a')], [above('a', 'a', 1)]],
    ['ladder.between_upside_down', [rung('a'), rung('b')], [between('a', 'b', 9, 1)]],
  ])('%s', (code, rungs, rules) => {
    expect(codes(rungs, rules)).toContain(code);
    expect(solveLadder({ rungs, rules })).toMatchObject({
      ok: false,
      error: { code: 'ladder.unsound' },
    });
  });
  test('the loop is named rung by rung', () => {
    const [issue] = checkSystem({
      rungs: [rung('s'), rung('a', { fed_by: 'b' }), rung('b', { fed_by: 'a' })],
      rules: [],
    });
    expect(issue).toEqual({ code: 'ladder.feeding_loop', rungs: ['a', 'b'] });
  });
});

describe('templates', () => {
  test.each(templateIds)('%s is sound, passes its schema and has an answer', (id) => {
    const system = template(id);
    expect(checkSystem(system)).toEqual([]);
    expect(systemSchema.parse(system)).toEqual(system);
    expect(holds(system, pressures(unwrap(solveLadder(system))))).toBe(true);
  });
  test('a relief under a reducing valve’s lockup is said to clash', () => {
    const air = template('air_header');
    const solved = solveLadder({ ...air, rules: [...air.rules, atMost('tool_relief', 640e3)] });
    expect(
      !solved.ok &&
        solved.error.code === 'ladder.clash' &&
        solved.error.rules.map(({ why }) => why),
    ).toContain('Relief above the reducing valve’s lockup');
  });
  test('a cross-port above the main relief is a clash', () => {
    const unit = template('hydraulic');
    const solved = solveLadder({
      ...unit,
      rules: [...unit.rules, fixed('cross_a', 210e5), fixed('main_relief', 205e5)],
    });
    expect(
      !solved.ok && solved.error.code === 'ladder.clash' && solved.error.rules.map(({ id }) => id),
    ).toContain('cross_a_main');
  });
});

describe('setting order', () => {
  const order = (id: (typeof templateIds)[number]) =>
    settingOrder(template(id), unwrap(solveLadder(template(id))));
  test('highest first, the compensator last', () => {
    expect(order('hydraulic').rungs).toEqual(['main_relief', 'cross_a', 'cross_b', 'compensator']);
  });
  test('upstream before downstream, sustaining before reducing', () => {
    const { rungs, reasons } = order('pump_station');
    expect(rungs).toEqual(['relief', 'sustaining', 'zone_1', 'zone_2']);
    expect(reasons.map(({ why }) => why)).toEqual([
      'higher_first',
      'upstream_first',
      'upstream_first',
    ]);
  });
  test('a reducing valve beside a sustaining one waits for it, though it is higher', () => {
    const rungs = [
      rung('pump', { kind: 'pump' }),
      rung('red', { fed_by: 'pump' }),
      rung('sus', { kind: 'sustaining', fed_by: 'pump' }),
    ];
    const ladder = unwrap(
      solveLadder({ rungs, rules: [fixed('pump', 900), fixed('red', 800), fixed('sus', 700)] }),
    );
    expect(settingOrder({ rungs }, ladder)).toEqual({
      rungs: ['sus', 'red'],
      reasons: [{ before: 'sus', after: 'red', why: 'sustaining_first' }],
    });
  });
  test('the gauge is ruled by the lowest setting that is open to the pump', () => {
    const unit = template('hydraulic');
    const { steps } = settingPlan(unit, unwrap(solveLadder(unit)), { parkedLowPa: 8e5 });
    const at = (rungId: string, kind: string) =>
      steps.find((step) => step.kind === kind && 'rung' in step && step.rung === rungId)!
        .readings[0]!;
    expect(at('main_relief', 'park')).toEqual({ at: 'pump', pa: 8e5, ruledBy: 'main_relief' });
    expect(at('compensator', 'park').ruledBy).toBe('main_relief');
    expect(at('main_relief', 'set')).toMatchObject({ pa: 205e5, ruledBy: 'main_relief' });
    expect(at('cross_a', 'set')).toMatchObject({ pa: 200e5, ruledBy: 'cross_a' });
    expect(at('compensator', 'set')).toMatchObject({ pa: 185e5, ruledBy: 'compensator' });
    expect(
      steps
        .filter(({ kind }) => kind === 'shift')
        .map((step) => 'position' in step && step.position),
    ).toEqual(['A', 'B', 'centred']);
  });
  test('a setting that another rung hides from the gauge says which', () => {
    const rungs = [
      rung('pump', { kind: 'pump' }),
      rung('first', { kind: 'main_relief', fed_by: 'pump' }),
      rung('second', { kind: 'main_relief', fed_by: 'pump' }),
    ];
    const rules = [fixed('pump', 1000), fixed('first', 900), fixed('second', 850)];
    const ladder = unwrap(solveLadder({ rungs, rules }));
    const { steps } = settingPlan({ rungs }, ladder, { parkedLowPa: 100 });
    const hidden = steps.flatMap((step) =>
      step.kind === 'set' ? [[step.rung, step.hiddenBy]] : [],
    );
    expect(hidden).toEqual([
      ['first', 'second'],
      ['second', undefined],
    ]);
    const unit = template('hydraulic');
    const plan = settingPlan(unit, unwrap(solveLadder(unit)), { parkedLowPa: 8e5 });
    expect(plan.steps.filter((step) => 'hiddenBy' in step)).toEqual([]);
  });
  test('a zone reads no more than what feeds it', () => {
    const station = template('pump_station');
    const { steps } = settingPlan(station, unwrap(solveLadder(station)), { parkedLowPa: 8e5 });
    for (const { readings } of steps) {
      const [one, two] = ['zone_1', 'zone_2'].map(
        (zone) => readings.find(({ at }) => at === zone)!.pa,
      );
      expect(two!).toBeLessThanOrEqual(one!);
    }
  });
});

describe('a rung held by hand', () => {
  test('pushes up what must stand above it', () => {
    const unit = template('hydraulic');
    const dragged = unwrap(dragRung(unit, 'compensator', 190e5));
    expect(pressures(dragged.ladder)['compensator']).toBe(190e5);
    expect(dragged.gaveWay.map(({ rung: id }) => id).sort()).toEqual([
      'cross_a',
      'cross_b',
      'main_relief',
    ]);
    for (const { by } of dragged.gaveWay) expect(by).toBeCloseTo(5e5, 0);
  });
  test('past what the rules allow it names them, its own hand among them', () => {
    const clash = dragRung(template('hydraulic'), 'compensator', 175e5);
    expect(
      !clash.ok &&
        clash.error.code === 'ladder.clash' &&
        clash.error.rules.map(({ id }) => id).sort(),
    ).toEqual(['comp', DRAG_RULE, 'load']);
  });
});

describe('where a hair more is another answer', () => {
  const two = (high: number) => ({
    rungs: [rung('a'), rung('b')],
    rules: [fixed('a', 100_000), atLeast('b', high)],
  });
  const gave = (by: number) => {
    const rungs = [rung('a'), rung('b')];
    const rules = [atLeast('a', 100_000), atLeast('b', 90_000), above('b', 'a', 0)];
    const system = { ...template('free'), rungs, rules };
    return unwrap(dragRung(system, 'a', 100_000 + by)).gaveWay.map(({ rung: id }) => id);
  };
  test('what moves by half a pascal or less has not given way', () => {
    expect(gave(0.5)).toEqual([]);
    expect(gave(0.52)).toEqual(['b']);
  });
  test('half a pascal beyond its tolerance is in order still, either way', () => {
    const { rungs, rules } = two(90_000);
    const ladder = unwrap(solveLadder({ rungs, rules }));
    const word = (found: number) => {
      const [first, ...rest] = rungs as [Rung, Rung];
      const read = { ...first, tolerance_pa: 1000, found_pa: found };
      return foundBeside({ rungs: [read, ...rest] }, ladder)[0]!.word;
    };
    expect([word(101_000.5), word(101_000.52)]).toEqual(['in_order', 'too_high']);
    expect([word(98_999.5), word(98_999.48)]).toEqual(['in_order', 'too_low']);
  });
  test('of two that stand alike the one that is named first comes first', () => {
    const rungs = [rung('second'), rung('first')];
    const order = (second: number, first: number) => {
      const rules = [fixed('second', second), fixed('first', first)];
      return settingOrder({ rungs }, unwrap(solveLadder({ rungs, rules }))).rungs;
    };
    expect(order(100, 100)).toEqual(['second', 'first']);
    expect(order(100, 101)).toEqual(['first', 'second']);
  });
  test('a clash of lockup at its level names what asks for the level, and nothing beside it', () => {
    // Half of what 'low' comes to rises over it: with the floor under it 'high' has no room.
    const rungs = [
      rung('low', { lockup: { fraction: 0.5, least_pa: 1 } }),
      rung('high'),
      rung('far'),
    ];
    const floor = atLeast('low', 100_000);
    const over = above('high', 'low', 0, { counts_lockup: true });
    const lid = atMost('high', 140_000);
    const others = [atLeast('far', 10), above('far', 'high', 5), atMost('far', 900_000)];
    const solved = solveLadder({ rungs, rules: [...others, floor, over, lid] });
    if (solved.ok || solved.error.code !== 'ladder.clash') throw new Error('it holds');
    expect(new Set(solved.error.rules)).toEqual(new Set([floor, over, lid]));
    expect(solved.error.excess).toBeCloseTo(10_000, 0);
    const roomy = solveLadder({ rungs, rules: [...others, floor, over, atMost('high', 150_001)] });
    expect(roomy.ok).toBe(true);
  });
});

describe('what was found, and what it burns', () => {
  const unit = template('hydraulic');
  const ladder = unwrap(solveLadder(unit));
  const withFound = (found: Record<string, number>) => ({
    ...unit,
    rungs: unit.rungs.map((each) =>
      each.id in found ? { ...each, found_pa: found[each.id]! } : each,
    ),
  });
  test('too high, too low and in order are told apart by the tolerance', () => {
    const beside = foundBeside(
      withFound({ compensator: 197e5, cross_a: 199e5, cross_b: 190e5 }),
      ladder,
    );
    const word = (id: string) => beside.find((each) => each.rung === id)!.word;
    expect([word('compensator'), word('cross_a'), word('cross_b'), word('main_relief')]).toEqual([
      'too_high',
      'in_order',
      'too_low',
      'not_read',
    ]);
  });
  test('12 bar at 95 L/min is 1.9 kW', () => {
    const heat = excessHeat(12e5, {
      flow_m3s: 95e-3 / 60,
      hours_per_year: 1000,
      price_per_kwh: 0.3,
      currency: '€',
    });
    expect(heat.watts).toBeCloseTo(1900, 6);
    expect(heat.costPerYear).toBeCloseTo(570, 6);
  });
  test('no flow, or nothing in excess, burns nothing', () => {
    const economy = { flow_m3s: 0, hours_per_year: 8000, price_per_kwh: 1, currency: '€' };
    expect(excessHeat(12e5, economy)).toEqual({ watts: 0, costPerYear: 0 });
    expect(excessHeat(-5e5, { ...economy, flow_m3s: 1 }).watts).toBe(0);
    expect(drivenExcess(unit, foundBeside(withFound({ main_relief: kPa(99_000) }), ladder))).toBe(
      0,
    );
  });
});

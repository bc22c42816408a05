import fc from 'fast-check';
import { checkPlate, plateSchema } from '../family';
import { gaugePa, kPa } from '../quantity';
import { plate, target } from '../testing/samples';
import { mainAdjuster } from './adjuster';
import { defaultHouseRules, houseRulesSchema, minFlowFor } from './house-rules';
import { lockupAllowed } from './lockup-allowed';
import { fittedSpring } from './plate';
import { chooseSpring } from './spring-choice';

describe('spring choice', () => {
  test('prefers the spring in which the target lies nearest the middle', () => {
    const choice = chooseSpring(plate.springs, kPa(500));
    expect(choice.ok && choice.value.map(({ spring }) => spring.colour)).toEqual(['green', 'red']);
    const low = chooseSpring(plate.springs, kPa(120));
    expect(low.ok && low.value[0]!.spring.colour).toBe('white');
  });

  test('ends of a range count as inside', () => {
    expect(chooseSpring(plate.springs, kPa(700)).ok).toBe(true);
    expect(chooseSpring(plate.springs, kPa(1400)).ok).toBe(true);
    const single = { ...plate.springs[0]!, from_pa: kPa(500), to_pa: kPa(500) };
    expect(chooseSpring([single], kPa(500))).toMatchObject({ value: [{ position: 0.5 }] });
  });

  test('outside every range it says what the set spans', () => {
    expect(chooseSpring(plate.springs, kPa(1500))).toEqual({
      ok: false,
      error: { code: 'valve.no_spring_reaches', lowest: kPa(20), highest: kPa(1400) },
    });
  });

  test('every choice holds the target', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1_600_000 }), (wanted) => {
        const choice = chooseSpring(plate.springs, gaugePa(wanted));
        if (!choice.ok) return;
        for (const { spring, position } of choice.value) {
          expect(wanted).toBeGreaterThanOrEqual(spring.from_pa);
          expect(wanted).toBeLessThanOrEqual(spring.to_pa);
          expect(position).toBeGreaterThanOrEqual(0);
          expect(position).toBeLessThanOrEqual(1);
        }
      }),
      { seed: 1 },
    );
  });
});

describe('checkPlate', () => {
  const codes = (change: object, targetChange: object = {}) =>
    checkPlate({ ...plate, ...change }, { target: { ...target, ...targetChange } }).map(
      ({ code }) => code,
    );

  test('a sound plate has nothing wrong', () => {
    expect(codes({}, { set_point_pa: kPa(400) })).toEqual([]);
  });

  test.each([
    ['valve.target_over_rating', { outlet_rating_pa: kPa(500) }, { limit_pa: kPa(480) }],
    ['valve.limit_over_rating', { outlet_rating_pa: kPa(600) }, {}],
    ['valve.target_over_limit', {}, { limit_pa: kPa(500) }],
    ['valve.target_outside_spring', { fitted_spring: 'white' }, {}],
    ['valve.spring_unknown', { fitted_spring: 'pink' }, {}],
    ['valve.range_upside_down', { springs: [{ ...plate.springs[1]!, from_pa: 9e5 }] }, {}],
    ['valve.not_finite', { travel_turns: Number.NaN }, {}],
  ])('%s stops a run', (code, change, targetChange) => {
    const issues = checkPlate({ ...plate, ...change }, { target: { ...target, ...targetChange } });
    expect(issues.find((issue) => issue.code === code)?.stops).toBe(true);
  });

  test('a wrong spring is answered with those that would do', () => {
    const [issue] = checkPlate({ ...plate, fitted_spring: 'white' }, { target });
    expect(issue).toMatchObject({ code: 'valve.target_outside_spring', wouldDo: ['green', 'red'] });
  });

  test('a better spring and an accessory outside the approval only warn', () => {
    expect(codes({}, { set_point_pa: kPa(690), limit_pa: kPa(800) })).toEqual([
      'valve.better_spring',
    ]);
    const approval = { scheme: 'Hill', accessories: [] };
    expect(codes({ approval }, { set_point_pa: kPa(400) })).toEqual([
      'valve.accessory_not_approved',
    ]);
  });

  test('what stops stands before what warns', () => {
    const approval = { scheme: 'Hill', accessories: [] };
    expect(codes({ approval, outlet_rating_pa: kPa(600) })[0]).toBe('valve.limit_over_rating');
  });
});

describe('plates and rules as data', () => {
  test('the schema refuses nonsense', () => {
    expect(plateSchema.safeParse(plate).success).toBe(true);
    expect(plateSchema.safeParse({ ...plate, springs: [] }).success).toBe(false);
    expect(plateSchema.safeParse({ ...plate, family: 'teapot' }).success).toBe(false);
    expect(plateSchema.safeParse({ ...plate, size_dn: Number.POSITIVE_INFINITY }).success).toBe(
      false,
    );
  });

  test('the defaults are allowed by their own schema', () => {
    expect(houseRulesSchema.parse(defaultHouseRules)).toEqual(defaultHouseRules);
  });

  test('the fitted spring is found by its colour', () => {
    expect(fittedSpring(plate)?.rate_pa_per_turn).toBe(kPa(180));
  });
});

describe('how far it may rise with nothing flowing', () => {
  const adjuster = mainAdjuster('Screw', 'from_below', 'outlet');
  const allowed = (
    set_point_pa: number,
    {
      fluid,
      measures,
      limit_pa = 1e9,
      rating = 1e9,
    }: { fluid?: 'gas'; measures?: 'temperature'; limit_pa?: number; rating?: number } = {},
    rules: Parameters<typeof lockupAllowed>[1] = defaultHouseRules,
  ) =>
    lockupAllowed(
      {
        plate: { outlet_rating_pa: rating, inlet_rating_pa: 1e9 } as never,
        target: { set_point_pa, limit_pa, tolerance_pa: 1, why: 'test' },
        adjuster: {
          ...adjuster,
          ...(fluid ? { fluid } : {}),
          ...(measures ? { measures } : {}),
        },
        small: gaugePa(set_point_pa * 1.1),
      },
      rules,
    );

  test.each([
    [700_000, {}, 70_000],
    [300_000, {}, 50_000],
    [1500, { fluid: 'gas' }, 300],
    [9000, { fluid: 'gas' }, 1350],
    [10_000, { fluid: 'gas' }, 2000],
    [400_000, { fluid: 'gas' }, 40_000],
    // A temperature has no least pressure.
    [60, { measures: 'temperature' }, 6],
    [60, { measures: 'temperature', limit_pa: 64 }, 4],
    // Never to the limit, never to a rating.
    [300_000, { limit_pa: 330_000 }, 30_000],
    [300_000, { rating: 320_000 }, 20_000],
    [2000, { fluid: 'gas', limit_pa: 2200 }, 200],
    [300_000, { limit_pa: 290_000 }, 0],
  ] as const)('%d Pa, %j: %d Pa', (set, over, pa) => {
    expect(allowed(set, over)).toBeCloseTo(pa, 6);
  });

  test('runs that were begun before are judged as they were then: over what was held', () => {
    const { lockup_gas: _, ...before } = defaultHouseRules;
    expect(allowed(700_000, {}, before)).toBeCloseTo(77_000, 6);
    expect(allowed(2000, { fluid: 'gas', limit_pa: 2200 }, before)).toBe(50_000);
  });
});

describe('minFlowFor', () => {
  const table = defaultHouseRules.min_flow;
  test.each([
    [80, 1.4e-3],
    [90, 1.8e-3],
    // Beyond the table, by the area of the bore.
    [25, 0.1171875e-3],
    [300, 20.25e-3],
  ])('DN %d wants %d m³/s', (size, flow) => {
    expect(minFlowFor(size, table)).toBeCloseTo(flow, 9);
  });

  test('never falls as the size grows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 500 }),
        fc.integer({ min: 0, max: 200 }),
        (size, more) => {
          expect(minFlowFor(size + more, table)).toBeGreaterThanOrEqual(minFlowFor(size, table));
        },
      ),
      { seed: 9 },
    );
  });
});

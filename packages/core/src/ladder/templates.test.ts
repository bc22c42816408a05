import { defaultHouseRules } from '../valve';
import { economySchema, rungSchema, systemSchema, type Rule, type System } from './system';
import { systemFrom, type TemplateId } from './templates';

const made = (id: TemplateId, money = {}): System =>
  systemFrom(id, defaultHouseRules, { id, name: id, site_id: 's' }, money);

/** The figures of a rule, bar or so many kPa: what a person would look up in the house's list. */
const figures = (rule: Rule): string => {
  const pa = (value: number) => `${value / 1000}`;
  switch (rule.kind) {
    case 'above_by':
      return pa(rule.by_pa);
    case 'between':
      return `${pa(rule.least_pa)} to ${pa(rule.most_pa)}`;
    case 'serves':
      return pa(rule.sum.need_pa);
    default:
      return pa(rule.pa);
  }
};

/** What stands in each arrangement before anybody has written in it, kPa: ordinary figures of the trade. */
const ordinary: Readonly<Record<TemplateId, readonly string[]>> = {
  hydraulic: [
    'load 17000',
    'pump 28000',
    'comp 1500 to 6000',
    'main 2000 to 8000',
    'cross_a 1500 to 3000',
    'cross_a_main 0',
    'cross_b 1500 to 3000',
    'cross_b_main 0',
    'weakest 27000',
    'under_weakest 0',
  ],
  pump_station: [
    'pump 950',
    'cavitation 620',
    'sus_over 30',
    'sus_under 50',
    'z1_need 560',
    'z2_need 400',
    'z1_under 50',
    'z2_under 80',
    'relief_over 100',
    'pipe 1600',
    'relief_under 0',
  ],
  air_header: [
    'tools 600',
    'in_over 50',
    'diff 100',
    'safety_over 70',
    'tool_relief_over 20',
    'vessel 1100',
    'safety_under 0',
  ],
  blower: ['duty 20', 'over 2', 'machine 30', 'under 0'],
  free: ['source 800'],
};
/** Tolerance, then lockup and accumulation where a rung has them, kPa. */
const extras: Readonly<Record<TemplateId, readonly string[]>> = {
  hydraulic: ['0', '0', '200', '200', '200', '200', '0'],
  pump_station: ['0', '0', '30 +60', '15', '15 10%/50', '15 10%/50', '0'],
  air_header: ['10', '10', '20 +80', '15 10%/50', '15 +50', '0'],
  blower: ['0', '1 +2', '0'],
  free: ['0'],
};

test.each(Object.keys(ordinary) as TemplateId[])('%s begins with ordinary figures', (id) => {
  const { rules, rungs } = made(id);
  expect(rules.map((rule) => `${rule.id} ${figures(rule)}`)).toEqual(ordinary[id]);
  expect(
    rungs.map(({ tolerance_pa: tolerance, lockup, accumulation_pa: accumulation }) =>
      [
        tolerance / 1000,
        ...(lockup ? [`${lockup.fraction * 100}%/${lockup.least_pa / 1000}`] : []),
        ...(accumulation === undefined ? [] : [`+${accumulation / 1000}`]),
      ].join(' '),
    ),
  ).toEqual(extras[id]);
});

test('what excess costs begins with the flow of the arrangement, and the money of its place', () => {
  const flow = (id: TemplateId) => made(id).economy.flow_m3s * 60_000;
  expect(flow('hydraulic')).toBeCloseTo(95, 9);
  expect(flow('pump_station')).toBeCloseTo(720, 9);
  expect(flow('air_header')).toBeCloseTo(3000, 9);
  expect([flow('blower'), flow('free')]).toEqual([0, 0]);
  const usual = { hours_per_year: 2000, price_per_kwh: 0.25, currency: '€' };
  expect(made('free').economy).toMatchObject(usual);
  expect(made('free', { price_per_kwh: 0, currency: 'CHF' }).economy).toMatchObject({
    ...usual,
    price_per_kwh: 0,
    currency: 'CHF',
  });
});

describe('the bounds of what may be written', () => {
  const fits = (schema: { safeParse: (value: unknown) => { success: boolean } }, value: unknown) =>
    schema.safeParse(value).success;

  test('a lockup is no more than the whole set point', () => {
    const rung = { id: 'r', name: 'R', kind: 'reducing', tolerance_pa: 0 };
    const lockup = (fraction: number) => ({ ...rung, lockup: { fraction, least_pa: 0 } });
    expect([0, 1, 1.01, -0.01].map((share) => fits(rungSchema, lockup(share)))).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });

  test('money, hours and flow', () => {
    const economy = { flow_m3s: 1, hours_per_year: 1, price_per_kwh: 1, currency: '€' };
    const with_ = (over: object) => fits(economySchema, { ...economy, ...over });
    expect([with_({ price_per_kwh: 1000 }), with_({ price_per_kwh: 1001 })]).toEqual([true, false]);
    expect([with_({ flow_m3s: 1000 }), with_({ flow_m3s: 1001 })]).toEqual([true, false]);
    // A leap year has no more.
    expect([with_({ hours_per_year: 8784 }), with_({ hours_per_year: 8785 })]).toEqual([
      true,
      false,
    ]);
    for (const field of ['flow_m3s', 'hours_per_year', 'price_per_kwh'])
      expect(with_({ [field]: -0.1 })).toBe(false);
    expect([with_({ currency: '12345678' }), with_({ currency: '123456789' })]).toEqual([
      true,
      false,
    ]);
  });

  test('a system has a thousand rungs and ten thousand rules at most', () => {
    const system = made('free');
    const [rung] = system.rungs;
    const [rule] = system.rules;
    const many = (rungs: number, rules: number) =>
      fits(systemSchema, {
        ...system,
        rungs: Array.from({ length: rungs }, () => rung),
        rules: Array.from({ length: rules }, () => rule),
      });
    expect([many(1000, 0), many(1001, 0), many(0, 0)]).toEqual([true, false, false]);
    expect([many(1, 10_000), many(1, 10_001)]).toEqual([true, false]);
  });
});

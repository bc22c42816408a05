import { checkPlate, type Plate } from '../family';
import { kPa } from '../quantity';
import { familySamples } from '../testing/family-samples';
import { adjusterPlateSchema, springSchema, type Spring } from './plate';
import { chooseSpring } from './spring-choice';
import type { Targets } from './target';

const spring = (colour: string, from: number, to: number, stacked?: string[]): Spring => ({
  colour,
  from_pa: kPa(from),
  to_pa: kPa(to),
  rate_pa_per_turn: kPa(to / 8),
  ...(stacked ? { stacked_with: stacked } : {}),
});
const chart = [
  spring('yellow', 5, 18),
  spring('blue', 15, 38),
  spring('both', 30, 56, ['yellow', 'blue']),
];
const best = (target: number) => {
  const choice = chooseSpring(chart, kPa(target));
  return choice.ok ? choice.value.map((each) => each.spring.colour) : choice.error;
};

describe('a chart with stacked springs', () => {
  test.each([
    [10, ['yellow']],
    [16, ['yellow', 'blue']],
    [26, ['blue']],
    [34, ['both', 'blue']],
    [50, ['both']],
  ])('%d kPa takes %j, the middle of its range first', (target, colours) => {
    const found = best(target);
    expect(Array.isArray(found) ? [...found].sort() : found).toEqual([...colours].sort());
  });

  test('past the stack nothing reaches, and what the chart spans is said', () => {
    expect(best(60)).toEqual({ code: 'valve.no_spring_reaches', lowest: kPa(5), highest: kPa(56) });
  });

  test('a row of a stack is data like any other', () => {
    expect(springSchema.parse(chart[2])).toEqual(chart[2]);
    expect(
      springSchema.safeParse({ ...chart[2], stacked_with: ['a', 'b', 'c', 'd'] }).success,
    ).toBe(false);
    expect(
      adjusterPlateSchema.safeParse({
        springs: [],
        fitted_spring: '',
        clockwise: 'raises',
        travel_turns: 3,
      }).success,
    ).toBe(false);
  });

  test('the wrong spring of a chart that has the right one is work, not a stop', () => {
    const sample = familySamples.relief_spring as unknown as Targets & { plate: Plate };
    const plate = { ...sample.plate, springs: chart, fitted_spring: 'yellow' } as Plate;
    const issues = checkPlate(plate, sample);
    expect(issues.find(({ code }) => code === 'valve.spring_to_change')).toMatchObject({
      stops: false,
      colour: 'yellow',
      wouldDo: 'blue',
    });
    expect(issues.some(({ stops }) => stops)).toBe(false);
    const far = { ...sample, target: { ...sample.target, set_point_pa: kPa(2), limit_pa: kPa(3) } };
    expect(checkPlate(plate, far).map(({ code }) => code)).toContain('valve.target_outside_spring');
  });
});

import { defaultHouseRules } from '../valve';
import { plate, target, rehearsed } from '../testing/samples';
import { printersIn } from '../report';
import { givenBlocks } from '../report/given-blocks';
import { unwrap } from '../result';
import { freezeSheet } from '../sheet';
import { checkPlate } from './check-plate';
import { adjustersOf, families } from './list';
import { isWorkedOut, workedOut } from './target-sum';

const spec = adjustersOf(plate)[0]!;
/** 300 wanted, 25 lost, 12 m up; the lowest point 20 m down bears 1000 kPa. */
const sum = {
  need_pa: 300_000,
  loss_pa: 25_000,
  rise_m: 12,
  lowest_rating_pa: 1_000_000,
  drop_m: 20,
};
const column = (m: number) => 998.2 * 9.80665 * m;
const set = 325_000 + column(12);
const limit = 1_000_000 - column(20) - defaultHouseRules.lockup_least_pa;
const codesOf = (over: Partial<typeof target>) =>
  checkPlate(plate, { target: { ...target, sum, ...over } }).map(({ code }) => code);

describe('a target worked out', () => {
  test('is what is wanted, lost and lifted; its limit what the lowest point bears less column and lockup', () => {
    const found = workedOut(plate, { ...target, sum }, spec)!;
    expect(found.setPoint).toBeCloseTo(set, 6);
    expect(found.limit).toBeCloseTo(limit, 6);
    const bare = workedOut(plate, { ...target, sum: { need_pa: 3e5 } }, spec);
    expect(bare).toEqual({ setPoint: 3e5, limit: undefined });
    expect(workedOut(plate, target, spec)).toBeUndefined();
  });

  test('takes a tenth off for lockup where that is more than the least', () => {
    const high = { need_pa: 900_000, lowest_rating_pa: 2_000_000 };
    const found = workedOut(plate, { ...target, sum: high }, spec)!;
    expect(found.limit).toBeCloseTo(2_000_000 - 90_000, 6);
  });

  test('is warned of where the target is another, by more than its lane', () => {
    const at = (pa: number) =>
      codesOf({ set_point_pa: pa, tolerance_pa: 15_000, limit_pa: 600_000 });
    expect(at(set + 14_900)).not.toContain('valve.target_not_its_sum');
    expect(at(set + 15_100)).toContain('valve.target_not_its_sum');
    expect(at(set - 15_100)).toContain('valve.target_not_its_sum');
  });

  test('stops a limit that the lowest point cannot bear', () => {
    expect(codesOf({ set_point_pa: set, limit_pa: limit - 1 })).not.toContain(
      'valve.limit_over_lowest',
    );
    expect(codesOf({ set_point_pa: set, limit_pa: limit + 1 })).toContain(
      'valve.limit_over_lowest',
    );
  });

  test('takes off what the owner allows, where he allows another share', () => {
    const rules = { ...defaultHouseRules, lockup_fraction: 0.2, lockup_least_pa: 60_000 };
    const found = workedOut(plate, { ...target, sum }, spec, rules)!.limit!;
    expect(found).toBeCloseTo(1_000_000 - column(20) - 0.2 * set, 6);
    const stops = (limit_pa: number) =>
      checkPlate(plate, { target: { ...target, sum, set_point_pa: set, limit_pa } }, rules).some(
        ({ code }) => code === 'valve.limit_over_lowest',
      );
    expect([stops(found - 1), stops(found + 1)]).toEqual([false, true]);
  });

  test('is offered on the outlet side of what holds water, nowhere else', () => {
    const offered = Object.entries(families).flatMap(([family, { adjusters }]) =>
      adjusters.filter((each) => isWorkedOut({ family }, each)).map(({ id }) => `${family} ${id}`),
    );
    expect(offered.sort()).toEqual([
      'electronic_pilot main',
      'reducing main',
      'sustaining reducing',
    ]);
  });

  test('stands on the sheet as the reason', () => {
    const { run } = rehearsed({ over: { target: { ...target, sum } } });
    const rows = givenBlocks(unwrap(freezeSheet(run, null)), printersIn('kPa')).flatMap((block) =>
      block.kind === 'rows' ? block.rows : [],
    );
    const said = rows.find(({ label }) => label === 'Worked out')!.value.replaceAll(/\s/gu, ' ');
    expect(said).toBe('300 kPa wanted, 25 kPa lost, 117 kPa for 12 m up: 442 kPa');
    const lowest = rows.find(({ label }) => label === 'The lowest point bears')!;
    expect(lowest.value.replaceAll(/\s/gu, ' ')).toBe('1 000 kPa, 20 m down');
  });
});

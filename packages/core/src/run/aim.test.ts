import { familySamples, familyStarted, type SampleName } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { unwrap } from '../result';
import { settingView } from '../step';
import { targetOf } from '../valve';
import { reduceRun } from './reduce';
import type { Run } from './run';

/** What the coach aims at is the target as it was given: a limit that is widened on the way is none. */
const openRun = (name: SampleName): Run => unwrap(reduceRun([stamp(familyStarted(name), 1)]));
const set = (Object.keys(familySamples) as SampleName[]).flatMap((name) => {
  const run = openRun(name);
  return run.steps.flatMap((step) =>
    step.kind === 'set' ? [[name, step.adjuster, run] as const] : [],
  );
});

test('there are settings in most families', () => {
  expect(new Set(set.map(([name]) => name)).size).toBeGreaterThan(7);
});

describe.each(set)('%s, %s', (_, adjuster, run) => {
  const { aim, sign } = settingView(run, adjuster);
  const target = targetOf(run.started, adjuster)!;
  const rules = run.started.house_rules;

  test('the limit is the target’s own, by its size', () => {
    expect(aim.limit).toBe(Math.abs(target.limit_pa));
    expect(aim.limit * sign).toBe(target.limit_pa);
  });

  test('the lane is the target and its tolerance', () => {
    expect(aim.target).toBe(Math.abs(target.set_point_pa));
    expect(aim.upper - aim.target).toBeCloseTo(target.tolerance_pa, 6);
    expect(aim.target - aim.lower).toBeCloseTo(target.tolerance_pa, 6);
  });

  test('the lane is narrowed by what the gauge does not know, at most to half', () => {
    expect(aim.guard).toBeGreaterThan(0);
    expect(aim.guard).toBeLessThanOrEqual(target.tolerance_pa / 2);
  });

  test('chances and the largest turn are those of the house', () => {
    expect(aim).toMatchObject({
      chancePastLimit: rules.chance_past_limit,
      chancePastLane: rules.chance_past_lane,
      largestTurn: rules.largest_turn,
    });
  });
});

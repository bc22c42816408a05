import { resultUncertainty } from '../gauge';
import { unwrap } from '../result';
import { reduceRun, type Run } from '../run';
import { settingView } from '../step';
import { familyStarted, rehearsedFamily } from '../testing/family-samples';
import { gauge, rehearsed, stamp, startedDraft } from '../testing/samples';
import { freezeSheet } from './freeze';

const { run: signed } = rehearsed({ seed: 3 });

/** The same run with its as-left reading put elsewhere. */
const leftAt = (run: Run, purpose: 'as_left', si: number, adjuster?: string): Run => ({
  ...run,
  readings: run.readings.map((taken) =>
    taken.purpose === purpose && (adjuster === undefined || taken.adjuster === adjuster)
      ? { ...taken, reading: { ...taken.reading, si } }
      : taken,
  ),
});
const verdictAt = (si: number) => unwrap(freezeSheet(leftAt(signed, 'as_left', si), null)).verdict;

describe('the verdict that signing freezes', () => {
  const uncertainty = resultUncertainty(signed.gauges.outlet!);

  test('is guarded by the uncertainty of the gauge, on both sides', () => {
    expect(uncertainty).toBeGreaterThan(2500);
    const [lower, upper] = [505_000, 535_000];
    expect(verdictAt(lower + uncertainty + 1)).toBe('pass');
    expect(verdictAt(lower + uncertainty - 1)).toBe('pass_without_margin');
    expect(verdictAt(lower - 1)).toBe('fail_without_margin');
    expect(verdictAt(lower - uncertainty - 1)).toBe('fail');
    expect(verdictAt(upper - uncertainty - 1)).toBe('pass');
    expect(verdictAt(upper - uncertainty + 1)).toBe('pass_without_margin');
    expect(verdictAt(upper + uncertainty + 1)).toBe('fail');
  });

  test('of several settings is the worst, whichever of them it is', () => {
    const { run } = rehearsedFamily('combined');
    const frozen = (si: number, adjuster: string) =>
      unwrap(freezeSheet(leftAt(run, 'as_left', si, adjuster), null)).verdict;
    expect(frozen(520_000, 'reducing')).toBe('pass');
    expect(frozen(600_000, 'reducing')).toBe('fail');
    expect(frozen(700_000, 'main')).toBe('fail');
  });

  test('stands on the sheet with its uncertainty', () => {
    const [setting] = unwrap(freezeSheet(signed, null)).settings;
    expect(setting!.uncertainty_pa).toBe(uncertainty);
  });
});

describe('what is not frozen', () => {
  test('a run with a step left, an open end, or nothing left as read', () => {
    const last = signed.steps.at(-2)!;
    const { [last.id]: _, ...done } = signed.done;
    expect(freezeSheet({ ...signed, done }, null)).toMatchObject({
      ok: false,
      error: { code: 'run.steps_left' },
    });
    const openEnds = signed.openEnds.map((end, i) =>
      i === 0 ? { ...end, state: 'open' as const } : end,
    );
    expect(freezeSheet({ ...signed, openEnds }, null)).toMatchObject({
      ok: false,
      error: { code: 'run.open_ends_left' },
    });
    const readings = signed.readings.filter(({ purpose }) => purpose !== 'as_left');
    expect(freezeSheet({ ...signed, readings }, null)).toMatchObject({
      ok: false,
      error: { code: 'run.sheet_has_no_as_left' },
    });
  });
});

describe('practice and record', () => {
  test('a sheet says that it was against the simulated gauge, and only then', () => {
    expect(unwrap(freezeSheet(signed, null)).rehearsal).toBe(true);
    const { twin: _, ...real } = signed.started;
    expect(unwrap(freezeSheet({ ...signed, started: real }, null)).rehearsal).toBe(false);
  });
});

describe('the aim of a setting', () => {
  const begun = unwrap(reduceRun([stamp(startedDraft(), 1)]));

  test('has the target’s lane and limit to the pascal, and the house’s chances', () => {
    const { target, house_rules: rules } = begun.started;
    expect(settingView(begun, 'main').aim).toMatchObject({
      target: target.set_point_pa,
      lower: target.set_point_pa - target.tolerance_pa,
      upper: target.set_point_pa + target.tolerance_pa,
      limit: target.limit_pa,
      chancePastLimit: rules.chance_past_limit,
      chancePastLane: rules.chance_past_lane,
      largestTurn: rules.largest_turn,
      guard: resultUncertainty(begun.gauges.outlet!),
    });
  });

  test('of a vacuum is turned round, limit too', () => {
    const vacuum = unwrap(reduceRun([stamp(familyStarted('vacuum'), 1)]));
    const { target } = vacuum.started;
    expect(settingView(vacuum, 'main').aim).toMatchObject({
      target: -target.set_point_pa,
      limit: -target.limit_pa,
      lower: -target.set_point_pa - target.tolerance_pa,
    });
  });

  test('a coarse gauge narrows the lane by no more than half its tolerance', () => {
    const coarse = gauge('G-9', 1000, { accuracy_fraction: 0.05 });
    const started = startedDraft({ gauges: { outlet: coarse } });
    const run = unwrap(reduceRun([stamp(started, 1)]));
    expect(settingView(run, 'main').aim.guard).toBe(run.started.target.tolerance_pa / 2);
  });
});

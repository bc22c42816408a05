import { adjustersOf } from '../family';
import { resultUncertainty } from '../gauge';
import { crackingResult } from '../prove';
import { unwrap } from '../result';
import { freezeSheet } from '../sheet';
import { captureCycles, crackingOf, marksOf, noFlowOf, stepsOfKind } from '../step';
import { familyStarted, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { rehearsed } from '../testing/samples';
import { leavesSetting, settingsLeft } from './settings-left';

describe('what a run leaves set', () => {
  test.each<[SampleName, string]>([
    ['sustaining', 'by_reading'],
    ['relief_spring', 'by_reading'],
    ['vacuum', 'by_reading'],
    ['gas', 'by_reading'],
    ['self_operated', 'by_reading'],
  ])('%s is told %s', (name, method) => {
    const { run } = rehearsedFamily(name);
    const [left, ...others] = settingsLeft(run);
    expect(others).toEqual([]);
    expect(left!.method).toBe(method);
    expect(left!.spec).toEqual(adjustersOf(run.started.plate)[0]);
    const { set_point_pa, tolerance_pa } = run.started.target;
    expect(Math.abs(left!.asLeft - set_point_pa)).toBeLessThanOrEqual(tolerance_pa);
    expect(left!.uncertainty).toBeGreaterThan(0);
    expect(left!.uncertainty).toBeLessThan(tolerance_pa);
  });

  test('every adjuster of a hydraulic unit has its own figure', () => {
    const { run } = rehearsedFamily('hydraulic');
    const left = settingsLeft(run);
    expect(left.map(({ spec }) => spec.id)).toEqual(['main', 'cross_a', 'cross_b', 'compensator']);
    for (const { spec, asLeft } of left) {
      const target = spec.id === 'main' ? run.started.target : run.started.other_targets![spec.id]!;
      expect(Math.abs(asLeft - target.set_point_pa)).toBeLessThanOrEqual(target.tolerance_pa);
    }
  });

  test('by count it is less certain than by pressure', () => {
    const [counted] = settingsLeft(rehearsedFamily('relief_pilot', { school: 'count_turns' }).run);
    const [pressed] = settingsLeft(rehearsedFamily('relief_pilot', { school: 'raise_line' }).run);
    expect(counted!.method).toBe('by_count');
    expect(pressed!.method).toBe('by_pressure');
    expect(counted!.uncertainty).toBeGreaterThan(pressed!.uncertainty);
  });

  test('before anything is read nothing is left, and a shut-down leaves no setting at all', () => {
    expect(settingsLeft(rehearsedFamily('gas', {}, { stopBefore: 'permit' }).run)).toEqual([]);
    const { run } = rehearsedFamily('self_operated', { school: 'shut_down' });
    expect(run.status).toBe('signed');
    expect(leavesSetting(run)).toBe(false);
    expect(leavesSetting(rehearsedFamily('self_operated').run)).toBe(true);
  });
});

describe('how sure a setting is', () => {
  const partsOf = (name: SampleName, over = {}) =>
    settingsLeft(rehearsedFamily(name, over).run)[0]!.parts?.map(({ from }) => from);

  test('read at rest it is the gauge, its division and the eye on it', () => {
    expect(partsOf('sustaining')).toEqual(['accuracy', 'resolution', 'reading']);
  });
  test('by pressure the cycles count too, and the eye that caught the first dribble', () => {
    const [left] = settingsLeft(rehearsedFamily('relief_pilot').run);
    expect(left!.parts!.map(({ from }) => from)).toEqual([
      'accuracy',
      'resolution',
      'reading',
      'repeatability',
      'eye',
    ]);
    const cracks = captureCycles(rehearsedFamily('relief_pilot').run, 'prove_cycles');
    const { repeatability } = unwrap(crackingResult(cracks));
    const cycles = left!.parts!.find(({ from }) => from === 'repeatability')!;
    expect(cycles.standard).toBeCloseTo(repeatability / Math.sqrt(cracks.length), 6);
  });
  test('a run that was begun before knows of its gauge alone', () => {
    const [left] = settingsLeft(rehearsedFamily('relief_pilot', { sheet_version: 2 }).run);
    expect(left!.parts).toBeUndefined();
    expect(left!.uncertainty).toBe(resultUncertainty(familyStarted('relief_pilot').gauges.inlet!));
    const body = unwrap(freezeSheet(rehearsedFamily('sustaining', { sheet_version: 2 }).run, null));
    expect(body.settings[0]).not.toHaveProperty('uncertainty_parts');
    expect(body.proofs).toBeDefined();
  });
});

describe('the proofs of a run', () => {
  test('cracking is reckoned from the very cycles that were captured', () => {
    const { run } = rehearsedFamily('relief_spring');
    const proof = crackingOf(run)!;
    const step = stepsOfKind(run, 'capture').find(
      ({ id, purpose }) => purpose !== 'as_found' && marksOf(run, id).length > 0,
    )!;
    const cycles = captureCycles(run, step.id);
    expect(proof.cycles.map(({ cracked_pa }) => cracked_pa)).toEqual(
      cycles.map(({ cracked }) => cracked),
    );
    const result = unwrap(crackingResult(cycles));
    expect(proof).toMatchObject({
      cracking_pa: result.cracking,
      blowdown: result.blowdown,
      source: 'marked',
    });
    expect(proof.reseat_pa!).toBeLessThan(proof.cracking_pa);
    expect(proof.blowdown!).toBeGreaterThan(0);
  });

  test('a vacuum valve cracks and reseats below nothing', () => {
    const proof = crackingOf(rehearsedFamily('vacuum').run)!;
    expect(proof.cracking_pa).toBeLessThan(proof.reseat_pa!);
    expect(proof.reseat_pa!).toBeLessThan(0);
    expect(proof.blowdown!).toBeGreaterThan(0);
  });

  test('what was never captured is not made up', () => {
    expect(crackingOf(rehearsedFamily('gas').run)).toBeNull();
    const early = rehearsed({ stopBefore: 'fit_gauges' }).run;
    expect(crackingOf(early)).toBeNull();
    expect(noFlowOf(early)).toEqual({ droop_pa: null, no_flow: null });
  });

  test('a sound seat levels, within what the house allows', () => {
    const { droop_pa, no_flow } = noFlowOf(rehearsed().run);
    expect(droop_pa!).toBeGreaterThanOrEqual(0);
    expect(no_flow).toMatchObject({ shape: 'levels', passes: true });
    expect(no_flow!.rise_pa).toBeLessThanOrEqual(no_flow!.allowed_pa);
  });

  test('a leaking seat creeps, and does not pass', () => {
    const { no_flow } = noFlowOf(rehearsed({ faults: ['leaking_seat'] }).run);
    expect(no_flow).toMatchObject({ shape: 'creeps', passes: false });
    expect(no_flow!.creep_pa_per_s).toBeGreaterThan(0);
  });
});

import { resultUncertainty } from '../gauge';
import { kPa } from '../quantity';
import { unwrap } from '../result';
import { freezeSheet, needsAnswer, type SheetBody } from '../sheet';
import {
  earlyEnds,
  openEndsOf,
  proofAtMost,
  sheetVerdicts,
  worstVerdict,
  type Proof,
  type ProofName,
} from '../step';
import { familySamples, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { plate, rehearsed, stamp } from '../testing/samples';
import { checkEvent } from './check-event';
import type { RunEventDraft } from './event';
import { proofsOf } from './proofs';
import { extendRun } from './reduce';
import type { Run } from './run';
import { runView } from './view';

const bodyOf = (run: Run): SheetBody => unwrap(freezeSheet(run, null));
const proofIn = ({ proofs }: Pick<SheetBody, 'proofs'>, name: ProofName): Proof =>
  proofs!.find(({ proof }) => proof === name)!;
const notProvedOf = (proofs: readonly Proof[]) =>
  proofs.filter(({ verdict }) => verdict === 'not_proved').map(({ proof }) => proof);
const { run: sound } = rehearsed({ seed: 3 });

/** The same run with every no-flow reading put elsewhere. */
const noFlowAt = (pressure: (si: number, i: number) => number): Run => {
  let i = 0;
  return {
    ...sound,
    readings: sound.readings.map((taken) => {
      if (taken.purpose !== 'no_flow') return taken;
      const nth = i++;
      return {
        ...taken,
        reading: { ...taken.reading, si: pressure(taken.reading.si, nth) },
        between: taken.between?.map(({ t_s, si }) => ({ t_s, si: pressure(si, -1) })),
      };
    }),
  };
};
const leftOut = (run: Run, step: string): Run => {
  const { [step]: _, ...done } = run.done;
  return { ...run, done, skipped: { ...run.skipped, [step]: 'Not possible here' } };
};

describe('what each family owes a proof of', () => {
  const owed: readonly (readonly [SampleName, readonly ProofName[]])[] = [
    ['sustaining', ['setting']],
    ['combined', ['setting', 'setting']],
    ['relief_pilot', ['setting', 'cycles', 'blowdown', 'repeatability']],
    ['relief_spring', ['setting', 'cycles', 'blowdown', 'repeatability']],
    ['vacuum', ['setting', 'cycles', 'blowdown', 'repeatability']],
    ['hydraulic', ['setting', 'setting', 'setting', 'setting']],
    ['gas', ['setting', 'no_flow', 'no_flow_limit']],
    ['gas_by_spring', ['setting', 'no_flow', 'no_flow_limit']],
    ['self_operated', ['setting', 'no_flow', 'no_flow_limit']],
    ['suction', ['setting']],
    ['pressure_switch', ['setting', 'setting']],
    ['receiver_switch', ['setting', 'setting']],
    ['burner_pilot', ['setting', 'flame_edges', 'late_spark']],
    ['positioner', ['points']],
    ['indicator', ['points']],
    ['controller', ['alignment', 'points']],
    ['electronic_pilot', ['setting', 'points', 'stroke']],
    ['temperature', ['setting', 'no_flow', 'no_flow_limit']],
  ];
  test.each(owed)('%s', (name, proofs) => {
    const { run } = rehearsedFamily(name);
    expect(
      bodyOf(run)
        .proofs!.map(({ proof }) => proof)
        .sort(),
    ).toEqual([...proofs].sort());
  });

  test('no family is left out of this list', () => {
    expect(owed.map(([name]) => name).sort()).toEqual(
      expect.arrayContaining(Object.keys(familySamples).filter((name) => name !== 'back_pressure')),
    );
  });
});

describe('the verdict of a sheet', () => {
  test('a sound valve passes by everything that it owed', () => {
    const body = bodyOf(sound);
    expect(body).toMatchObject({ version: 2, outcome: 'set', verdict: 'pass' });
    expect(body.proofs!.map(({ verdict }) => verdict)).toEqual(['pass', 'pass', 'pass']);
    expect(needsAnswer(body)).toBe(false);
  });

  test('a seat that leaks fails, however well it was set', () => {
    const body = bodyOf(rehearsed({ seed: 4, faults: ['leaking_seat'] }).run);
    expect(body.settings[0]!.verdict).toMatch(/^pass/);
    expect(body).toMatchObject({ outcome: 'proof_failed', verdict: 'fail' });
    expect(proofIn(body, 'no_flow')).toMatchObject({ verdict: 'fail', reason: 'creeps' });
    expect(needsAnswer(body)).toBe(true);
  });

  test('a run from before is judged as it was then, by its settings alone', () => {
    const { run } = rehearsed({ seed: 4, faults: ['leaking_seat'] });
    const { sheet_version: _, ...started } = run.started;
    const body = bodyOf({ ...run, started });
    expect(body).toMatchObject({ version: 1, outcome: 'set' });
    expect(body.proofs).toBeUndefined();
    expect(body.verdict).toBe(body.settings[0]!.verdict);
  });

  test('a rise is bound by what the house allows, and a division is its margin', () => {
    const { allowed_pa: allowed, rise_pa: rise } = bodyOf(sound).no_flow!;
    const division = sound.gauges.outlet!.resolution_pa;
    const risenTo = (wanted: number) => {
      const body = bodyOf(noFlowAt((si) => si + wanted - rise));
      return proofIn(body, 'no_flow');
    };
    expect(risenTo(allowed - division)).toMatchObject({ verdict: 'pass', reason: 'within' });
    expect(risenTo(allowed - division + 1).verdict).toBe('pass_without_margin');
    expect(risenTo(allowed + 1).verdict).toBe('fail_without_margin');
    expect(risenTo(allowed + division)).toMatchObject({ verdict: 'fail', reason: 'outside' });
    expect(risenTo(allowed + division)).toMatchObject({ bound: allowed, unit: 'pa' });
  });

  test('one no-flow reading over the limit fails it, whatever the rise may be', () => {
    const { limit_pa: limit } = sound.started.target;
    const uncertainty = resultUncertainty(sound.gauges.outlet!);
    const onceAt = (pressure: number) =>
      proofIn(bodyOf(noFlowAt((si, i) => (i === 2 ? pressure : si))), 'no_flow_limit');
    expect(onceAt(limit - uncertainty - 1).verdict).toBe('pass');
    expect(onceAt(limit - uncertainty + 1).verdict).toBe('pass_without_margin');
    expect(onceAt(limit + 1).verdict).toBe('fail_without_margin');
    expect(onceAt(limit + uncertainty + 1)).toMatchObject({ verdict: 'fail', bound: limit });
  });

  test('what was left out is not proved, and keeps the sheet from a pass', () => {
    const body = bodyOf(leftOut(sound, 'no_flow'));
    expect(body).toMatchObject({ outcome: 'set', verdict: 'not_proved' });
    expect(proofIn(body, 'no_flow')).toMatchObject({ verdict: 'not_proved', reason: 'left_out' });
    expect(notProvedOf(body.proofs!)).toEqual(['no_flow', 'no_flow_limit']);
  });

  test('too few readings prove nothing', () => {
    const readings = sound.readings.filter(({ purpose }) => purpose !== 'no_flow');
    const body = bodyOf({ ...sound, readings });
    expect(proofIn(body, 'no_flow')).toMatchObject({ verdict: 'not_proved', reason: 'too_few' });
    expect(proofIn(body, 'no_flow_limit').verdict).toBe('not_proved');
  });

  test('a step that an answer has made needless owes nothing', () => {
    const steps = sound.steps.map((step) =>
      step.id === 'no_flow' ? { ...step, onlyIf: { key: 'asked', value: 'yes' } } : step,
    );
    const asked = (value: string) => ({ ...sound, steps, observed: { asked: value } }) as Run;
    expect(proofsOf(asked('no'), [])).toEqual([]);
    expect(proofsOf(asked('yes'), []).map(({ proof }) => proof)).toEqual([
      'no_flow',
      'no_flow_limit',
    ]);
  });

  test('droop is owed only where the plate says how much there may be', () => {
    const droop = bodyOf(sound).droop_pa!;
    const allowing = (droop_allowed_pa: number) =>
      bodyOf({
        ...sound,
        started: { ...sound.started, plate: { ...plate, droop_allowed_pa } },
      });
    const division = sound.gauges.outlet!.resolution_pa;
    expect(bodyOf(sound).proofs!.map(({ proof }) => proof)).not.toContain('droop');
    expect(proofIn(allowing(droop + division), 'droop').verdict).toBe('pass');
    expect(proofIn(allowing(droop + 1), 'droop').verdict).toBe('pass_without_margin');
    expect(proofIn(allowing(droop - division), 'droop').verdict).toBe('fail');
    const unread = leftOut(sound, 'working_flow');
    const started = { ...unread.started, plate: { ...plate, droop_allowed_pa: 1 } };
    expect(proofIn(bodyOf({ ...unread, started }), 'droop').verdict).toBe('not_proved');
  });
});

describe('proofs of a relief', () => {
  const { run } = rehearsedFamily('relief_pilot');
  const { cracking } = bodyOf(run);
  const withRules = (blowdown_most: number) =>
    bodyOf({
      ...run,
      started: { ...run.started, house_rules: { ...run.started.house_rules, blowdown_most } },
    });

  test('blowdown is bound by the house', () => {
    const found = cracking!.blowdown!;
    expect(proofIn(withRules(found), 'blowdown')).toMatchObject({ verdict: 'pass', bound: found });
    expect(proofIn(withRules(found - 1e-6), 'blowdown')).toMatchObject({ verdict: 'fail' });
    expect(withRules(found - 1e-6).outcome).toBe('proof_failed');
  });

  test('openings that scatter by more than the lane fail', () => {
    const { target } = run.started;
    const within = (tolerance_pa: number) =>
      proofsOf({ ...run, started: { ...run.started, target: { ...target, tolerance_pa } } }, []);
    const scatter = cracking!.repeatability_pa;
    expect(proofIn({ proofs: [...within(scatter)] }, 'repeatability').verdict).toBe('pass');
    expect(proofIn({ proofs: [...within(scatter * 0.99)] }, 'repeatability').verdict).toBe('fail');
  });

  test('fewer cycles than the house wants prove nothing', () => {
    const rules = { ...run.started.house_rules, proving_cycles: 9 };
    const proofs = proofsOf({ ...run, started: { ...run.started, house_rules: rules } }, []);
    expect(notProvedOf(proofs)).toEqual(['cycles', 'blowdown', 'repeatability']);
  });
});

describe('proofs of instruments', () => {
  test('a late spark that was left out is not proved, one that did not light fails', () => {
    const { run } = rehearsedFamily('burner_pilot');
    expect(proofIn(bodyOf(run), 'late_spark').verdict).toBe('pass');
    expect(proofIn(bodyOf(leftOut(run, 'late_spark')), 'late_spark').reason).toBe('left_out');
    const dark = { ...run, observed: { ...run.observed, lit_late: 'no' } };
    expect(bodyOf(dark)).toMatchObject({ verdict: 'fail', outcome: 'proof_failed' });
  });

  test('a pilot outside what the maker allows fails, though it lies between its edges', () => {
    const { run } = rehearsedFamily('burner_pilot');
    const left = bodyOf(run).settings[0]!.as_left_pa;
    const allowing = (low: number, high: number): Run => ({
      ...run,
      started: {
        ...run.started,
        plate: { ...run.started.plate, maker_low_pa: low, maker_high_pa: high } as never,
      },
    });
    expect(proofIn(bodyOf(allowing(left, left)), 'flame_edges').verdict).toBe('pass');
    expect(proofIn(bodyOf(allowing(left + 1, left + 9)), 'flame_edges').verdict).toBe('fail');
    expect(proofIn(bodyOf(allowing(left - 9, left - 1)), 'flame_edges').verdict).toBe('fail');
  });

  test('a stroke that is short of its plate fails', () => {
    const { run } = rehearsedFamily('electronic_pilot');
    expect(proofIn(bodyOf(run), 'stroke')).toMatchObject({ verdict: 'pass', reason: 'as_asked' });
    const longer = { ...run.started.plate, stroke_counts: 5000 } as never;
    const short = bodyOf({ ...run, started: { ...run.started, plate: longer } });
    expect(proofIn(short, 'stroke')).toMatchObject({ verdict: 'fail', reason: 'not_as_asked' });
  });

  test('an output that wanders beyond its tolerance in the sweep fails', () => {
    const { run } = rehearsedFamily('controller');
    expect(proofIn(bodyOf(run), 'alignment').verdict).toBe('pass');
    const rules = run.started.house_rules;
    const instruments = { ...rules.instruments!, alignment_tolerance_pa: 1 };
    const strict = { ...run.started, house_rules: { ...rules, instruments } };
    expect(proofIn(bodyOf({ ...run, started: strict }), 'alignment').verdict).toBe('fail');
  });
});

describe('an honest end', () => {
  const added = (run: Run, draft: RunEventDraft): Run => {
    expect(checkEvent(run, draft)).toBeUndefined();
    return extendRun(run, stamp(draft, run.lamport + 1))!;
  };
  const steps = sound.steps.filter(({ kind }) => kind !== 'sign' && kind !== 'restore');

  test.each(steps.map(({ id }) => [id]))(
    'from %s everything goes back and a sheet is filed',
    (id) => {
      let run = added(rehearsed({ seed: 3, stopBefore: id }).run, {
        type: 'ended',
        step_id: id,
        outcome: 'could_not_be_set',
        why: 'hunts',
        reason: 'It swings by 40 kPa',
      });
      expect(runView(run).step!.kind).toBe('restore');
      for (const { id: end } of openEndsOf(run))
        run = added(run, { type: 'open_end_closed', open_end: end });
      run = added(run, { type: 'step_done', step_id: 'put_back' });
      run = added(run, { type: 'signed', name: 'Ines', covers: run.eventCount });
      const body = bodyOf(run);
      expect(body).toMatchObject({
        outcome: 'could_not_be_set',
        verdict: null,
        settings: [],
        proofs: [],
        ended: { why: 'hunts', reason: 'It swings by 40 kPa' },
      });
      expect(needsAnswer(body)).toBe(true);
    },
  );

  test('left as found is refused once a screw was parked, turned or given another spring', () => {
    const leave = { type: 'ended', outcome: 'left_as_found', why: 'other', reason: 'Only looked' };
    const check = (run: Run) =>
      checkEvent(run, { ...leave, step_id: run.steps[0]!.id } as RunEventDraft);
    const before = rehearsed({ seed: 3, stopBefore: 'back_off' }).run;
    const refused = { code: 'run.not_as_found', adjuster: before.adjusters[0]!.name };
    const turned = (turns: number) => ({
      ...before,
      marks: { main: [{ kind: 'turned' as const, eventId: 'e', turns, atMs: 1 }] },
    });
    expect(check(before)).toBeUndefined();
    expect(check(turned(1 / 64))).toEqual(refused);
    expect(check(turned(-1 / 64))).toEqual(refused);
    expect(check(turned(0.01))).toBeUndefined();
    expect(check({ ...before, springs: { main: 'red' } })).toEqual(refused);
    expect(check(rehearsed({ seed: 3, stopBefore: 'inlet_crack' }).run)).toEqual(refused);
    expect(check(rehearsed({ seed: 3, stopBefore: 'flow_ok' }).run)).toEqual(refused);
  });

  test('nothing is signed while something stands open', () => {
    const { run } = rehearsed({ seed: 3, stopBefore: 'come_up' });
    const ended = added(run, {
      type: 'ended',
      step_id: 'come_up',
      outcome: 'given_up',
      why: 'no_time',
      reason: 'Called away',
    });
    expect(checkEvent(ended, { type: 'signed', name: 'Ines', covers: 1 })).toMatchObject({
      code: 'run.open_ends_left',
    });
  });

  test('every early end but one leaves something to come back for', () => {
    const visit = { verdict: null, open_ends: [] };
    expect(earlyEnds.filter((outcome) => needsAnswer({ ...visit, outcome }))).toEqual([
      'could_not_be_set',
      'given_up',
    ]);
    const end = { id: 'a', say: 'Cap off', state: 'left' as const };
    expect(needsAnswer({ ...visit, outcome: 'left_as_found', open_ends: [end] })).toBe(true);
  });
});

describe('the worst of several', () => {
  test('follows the list, and nothing hides a failure', () => {
    expect(worstVerdict(['pass', 'not_proved'])).toBe('not_proved');
    expect(worstVerdict(['not_proved', 'pass_without_margin'])).toBe('pass_without_margin');
    expect(worstVerdict([...sheetVerdicts])).toBe('fail');
    expect(worstVerdict([...sheetVerdicts].reverse())).toBe('fail');
    expect(worstVerdict([])).toBeUndefined();
  });

  test('a bound is passed by more than itself, its margin by the guard', () => {
    const at = (found: number) =>
      proofAtMost({ proof: 'droop' }, { found, bound: kPa(10), guard: kPa(2), unit: 'pa' }).verdict;
    expect([kPa(8), kPa(8) + 1, kPa(10), kPa(10) + 1, kPa(12)].map(at)).toEqual([
      'pass',
      'pass_without_margin',
      'pass_without_margin',
      'fail_without_margin',
      'fail',
    ]);
  });
});

describe('a step that was asked for by an answer', () => {
  const settings = bodyOf(sound).settings;
  const withAnswer = (observed: Run['observed']): readonly ProofName[] => {
    const steps = sound.steps.map((step) =>
      step.id === 'no_flow' ? { ...step, onlyIf: { key: 'shuts', value: 'yes' } } : step,
    );
    return proofsOf({ ...sound, steps, observed }, settings).map(({ proof }) => proof);
  };

  test('owes its proof, and nothing where it was not', () => {
    expect(sound.steps.some(({ id }) => id === 'no_flow')).toBe(true);
    expect(withAnswer({ shuts: 'yes' })).toContain('no_flow');
    expect(withAnswer({ shuts: 'no' })).not.toContain('no_flow');
    expect(withAnswer({})).not.toContain('no_flow');
  });
});

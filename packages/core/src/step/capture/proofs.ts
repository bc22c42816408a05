import { crackingResult } from '../../prove';
import { targetOf } from '../../valve';
import { notProved, proofAtMost, proofOf, type Proof } from '../proof';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { captureCycles, cyclesWanted, isWhole } from './captures';

/** Cycles enough, a blowdown no wider than the house allows, and openings that agree within the lane. */
export function crackingProofs(run: RunState, step: StepOf<'capture'>): readonly Proof[] {
  if (step.purpose !== undefined) return [];
  const { adjuster } = step;
  const subject = <const P extends 'cycles' | 'blowdown' | 'repeatability'>(proof: P) => ({
    proof,
    step,
    adjuster,
  });
  const whole = captureCycles(run, step.id).filter(isWhole);
  const wanted = cyclesWanted(run, step.id);
  const result = crackingResult(whole);
  if (whole.length < wanted || !result.ok)
    return (['cycles', 'blowdown', 'repeatability'] as const).map((proof) =>
      notProved(subject(proof), 'too_few'),
    );
  const { blowdown, repeatability } = result.value;
  const tolerance = (targetOf(run.started, adjuster) ?? run.started.target).tolerance_pa;
  return [
    proofOf(subject('cycles'), true),
    blowdown === undefined
      ? notProved(subject('blowdown'))
      : proofAtMost(subject('blowdown'), {
          found: blowdown,
          bound: run.started.house_rules.blowdown_most,
          unit: 'share',
        }),
    proofAtMost(subject('repeatability'), { found: repeatability, bound: tolerance, unit: 'pa' }),
  ];
}

import { notProved, proofFrom, provedBy, type Proof, type Step } from '../step';
import type { Verdict } from '../gauge';
import type { Run } from './run';
import { leavesSetting } from './settings-left';

/**
 * Everything that a run owes a proof of, in the order of its steps: each with its own verdict. What
 * was left out is not proved, whatever was read before it was left out.
 *
 * @param settings  verdict of each adjuster as it was left
 */
export function proofsOf(
  run: Run,
  settings: readonly { readonly adjuster: string; readonly verdict: Verdict }[],
): readonly Proof[] {
  if (!leavesSetting(run)) return [];
  return [
    ...settings.map(({ adjuster, verdict }) => proofFrom({ proof: 'setting', adjuster }, verdict)),
    ...run.steps.filter((step) => isAsked(run, step)).flatMap((step) => proofsOfStep(run, step)),
  ];
}

function proofsOfStep(run: Run, step: Step): readonly Proof[] {
  const proofs = provedBy(run, step);
  if (!(step.id in run.skipped)) return proofs;
  return proofs.map(({ proof, adjuster }) =>
    notProved({ proof, step, ...(adjuster === undefined ? {} : { adjuster }) }, 'left_out'),
  );
}

/** A step that an answer has made needless owes nothing. */
const isAsked = (run: Run, { onlyIf }: Step): boolean =>
  onlyIf === undefined || run.observed[onlyIf.key] === onlyIf.value;

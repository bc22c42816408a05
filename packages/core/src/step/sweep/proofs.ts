import { instrumentRules } from '../../valve';
import { noBetterThan, notProved, proofAtMost, type Proof } from '../proof';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { sweepView } from './sweep-view';

/** The output stays put over the whole band. */
export function alignmentProofs(run: RunState, step: StepOf<'sweep'>): readonly Proof[] {
  const subject = { proof: 'alignment', step } as const;
  const { nextGain, alignment, taken } = sweepView(run);
  if (nextGain !== undefined || !alignment.ok)
    return [notProved(subject, taken.length > 0 ? 'too_few' : 'not_seen')];
  const { spread, verdict } = alignment.value;
  const bound = instrumentRules(run.started.house_rules).alignment_tolerance_pa;
  const within = proofAtMost(subject, { found: spread, bound, unit: 'pa' });
  return [verdict === 'flat' ? within : noBetterThan(within, 'fail', 'not_as_asked')];
}

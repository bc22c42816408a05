import { notProved, proofFrom, type Proof } from '../proof';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { tablesOf } from './freeze';

/** Every point as left within the tolerance. */
export function pointsProofs(run: RunState, step: StepOf<'points'>): readonly Proof[] {
  if (step.purpose !== 'as_left') return [];
  const subject = { proof: 'points', step } as const;
  const tables = tablesOf(run);
  return [tables ? proofFrom(subject, tables.verdict) : notProved(subject, 'too_few')];
}

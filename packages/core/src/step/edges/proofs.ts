import { hasFlame } from '../../valve';
import { notProved, proofOf, type Proof } from '../proof';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { edgesOf } from './freeze';

/** Left between the edges at which it lights, and within what the burner's maker allows. */
export function edgeProofs(run: RunState, step: StepOf<'edges'>): readonly Proof[] {
  const subject = { proof: 'flame_edges', step } as const;
  const { edges } = edgesOf(run);
  if (!edges) return [notProved(subject)];
  const left = edges.low_pa + edges.to_low_pa;
  const { plate } = run.started;
  const isBetween = edges.to_low_pa > 0 && edges.to_high_pa > 0;
  const isAllowed = !hasFlame(plate) || (left >= plate.maker_low_pa && left <= plate.maker_high_pa);
  return [proofOf(subject, isBetween && isAllowed)];
}

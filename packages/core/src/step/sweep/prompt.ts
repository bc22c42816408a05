import { inTurns } from '../../quantity';
import type { Prompt } from '../prompt';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { isFlat, sweepView } from './sweep-view';

/** Band after band; then flat, a turn of the alignment, or a leak. */
export function sweepPrompt(run: RunState, { adjuster }: StepOf<'sweep'>): Prompt {
  const { nextGain: gain, turns } = sweepView(run);
  if (gain !== undefined) return { ask: 'band', gain };
  if (isFlat(run)) return { ask: 'done' };
  return turns === undefined
    ? { ask: 'stuck', why: 'leaks' }
    : { ask: 'turn', adjuster, turns: inTurns(turns) };
}

import { inTurns } from '../../quantity';
import type { Prompt } from '../prompt';
import { recordOf, type RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { adjusterOfScrew, awaitsReading, inputOfSpot, linkageView } from './linkage-view';

/** Which screw and how far, or the reading to come to. */
export function linkagePrompt(run: RunState, step: StepOf<'linkage'>): Prompt {
  const { move } = linkageView(run);
  const awaited = awaitsReading(run) ?? (move.kind === 'go' ? move.spot : undefined);
  if (awaited) {
    const pass = Math.min(99, 1 + recordOf(run, step).points.length);
    return { ask: 'point', at: inputOfSpot[awaited], direction: 'up', pass };
  }
  if (move.kind === 'done') return { ask: 'done' };
  if (move.kind === 'turn')
    return { ask: 'turn', adjuster: adjusterOfScrew(move.screw), turns: inTurns(move.turns) };
  return { ask: 'stuck', why: move.kind === 'end_of_scale' ? 'end_of_travel' : 'cannot_judge' };
}

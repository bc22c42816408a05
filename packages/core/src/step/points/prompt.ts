import type { Prompt } from '../prompt';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { pointsView } from './points-view';

/** Point after point, up and down again. */
export function pointsPrompt(run: RunState, { id }: StepOf<'points'>): Prompt {
  const { next } = pointsView(run, id);
  return next ? { ask: 'point', ...next } : { ask: 'done' };
}

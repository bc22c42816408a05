import { askedBy, type Prompt } from '../prompt';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { settingView } from './setting-view';

/** Read, turn, or in the lane. */
export function setPrompt(run: RunState, { adjuster }: Pick<StepOf<'set'>, 'adjuster'>): Prompt {
  const { move } = settingView(run, adjuster);
  return move ? askedBy(move, adjuster) : { ask: 'read' };
}

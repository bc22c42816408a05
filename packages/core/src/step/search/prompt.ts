import { askedBy, type Prompt } from '../prompt';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { searchView } from './search-view';

/** Turn and look, until it is seen to crack. */
export function searchPrompt(run: RunState, step: StepOf<'search'>): Prompt {
  const { cracked, move } = searchView(run, step);
  if (cracked !== undefined) return { ask: 'done' };
  return move ? askedBy(move, step.adjuster) : { ask: 'read' };
}

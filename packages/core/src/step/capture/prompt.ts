import { askedBy, type Prompt } from '../prompt';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { captureView } from './capture-view';

/** Mark after mark, a turn where the cycles miss the lane, then on. */
export function capturePrompt(run: RunState, step: StepOf<'capture'>): Prompt {
  const { cycles, isEnough, move, nextCycle: cycle } = captureView(run, step);
  if (isEnough) return move ? askedBy(move, step.adjuster) : { ask: 'done' };
  const last = cycles.at(-1);
  const isOpen = last !== undefined && last.cracked !== undefined && last.reseated === undefined;
  return { ask: 'mark', mark: isOpen ? 'reseated' : 'cracked', cycle };
}

import { askedBy, type Prompt } from '../prompt';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';
import { switchCyclesWanted, switchView } from './switch-view';

/** Edge after edge, a screw where the band misses, then on. */
export function switchingPrompt(run: RunState, step: StepOf<'switching'>): Prompt {
  const { cycles, holds, move, next } = switchView(run, step);
  const isEnough =
    step.purpose === 'setting' ? holds : cycles.length >= switchCyclesWanted(run, step);
  if (isEnough) return { ask: 'done' };
  if (move) return askedBy(move.move, move.adjuster);
  return { ask: 'edge', edge: next.edge, cycle: Math.min(99, next.cycle) };
}

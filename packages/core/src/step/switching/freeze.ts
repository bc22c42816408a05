import { stepsOfKind, type RunState } from '../run-state';
import type { FrozenSwitchCycles } from './frozen';
import { switchCycles } from './switch-view';

/** Cycles of a switch as left; undefined for anything else. */
export function switchOf(run: RunState): { switch_cycles?: FrozenSwitchCycles } {
  const step = stepsOfKind(run, 'switching').find(({ purpose }) => purpose === 'as_left');
  const cycles = step ? switchCycles(run, step.id) : [];
  if (cycles.length === 0) return {};
  return {
    switch_cycles: cycles.map(({ cutIn, cutOut }) => ({ cut_in_pa: cutIn, cut_out_pa: cutOut })),
  };
}

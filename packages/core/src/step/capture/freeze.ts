import { crackingResult } from '../../prove';
import { recordOf, stepsOfKind, type RunState } from '../run-state';
import { captureCycles } from './captures';
import type { FrozenCracking } from './frozen';

/** Cracking and reseat over the proving cycles of a relief; null where none were captured. */
export function crackingOf(run: RunState): FrozenCracking | null {
  const step = stepsOfKind(run, 'capture').find(
    (each) => each.purpose !== 'as_found' && recordOf(run, each).marks.length > 0,
  );
  if (!step) return null;
  const cycles = captureCycles(run, step.id);
  const result = crackingResult(cycles);
  if (!result.ok) return null;
  const { value } = result;
  const isLog = recordOf(run, step).marks.some(({ source }) => source === 'log');
  return {
    cycles: cycles.map(({ cracked, fullFlow, reseated }) => ({
      cracked_pa: cracked ?? null,
      full_flow_pa: fullFlow ?? null,
      reseated_pa: reseated ?? null,
    })),
    cracking_pa: value.cracking,
    cracking_spread_pa: value.crackingSpread,
    repeatability_pa: value.repeatability,
    reseat_pa: value.reseat ?? null,
    reseat_spread_pa: value.reseatSpread,
    blowdown: value.blowdown ?? null,
    overpressure: value.overpressure ?? null,
    source: isLog ? 'log' : 'marked',
  };
}

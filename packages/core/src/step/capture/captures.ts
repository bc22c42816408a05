import { gaugePa, type GaugePressure } from '../../quantity';
import { recordOf, stepOfKind, stepsOfKind, type RunState } from '../run-state';
import type { CaptureMark } from './marks';

/** One opening and shutting of a relief valve, as far as it has been marked; Pa gauge. */
export type CaptureCycle = {
  readonly cycle: number;
  readonly cracked: GaugePressure | undefined;
  readonly fullFlow: GaugePressure | undefined;
  readonly reseated: GaugePressure | undefined;
};

/**
 * Cycles of a capture since its adjuster was last turned: what was seen before tells of another setting.
 * As found, it is just that other setting which is wanted.
 */
export function captureCycles(run: RunState, stepId: string): readonly CaptureCycle[] {
  const step = stepOfKind(run, 'capture', stepId);
  if (!step) return [];
  const { adjuster, purpose } = step;
  const turned = run.marks[adjuster]?.findLast(({ kind }) => kind === 'turned')?.atMs ?? 0;
  const since = purpose === 'as_found' ? 0 : turned;
  const marks = recordOf(run, step).marks.filter(({ atMs }) => atMs >= since);
  const numbers = [...new Set(marks.map(({ cycle }) => cycle))].sort((a, b) => a - b);
  const at = (cycle: number, name: string) => {
    const mark = marks.findLast((each) => each.cycle === cycle && each.mark === name);
    return mark && gaugePa(mark.pressure);
  };
  return numbers.map((cycle) => ({
    cycle,
    cracked: at(cycle, 'cracked'),
    fullFlow: at(cycle, 'full_flow'),
    reseated: at(cycle, 'reseated'),
  }));
}

export const isWhole = ({ cracked, reseated }: CaptureCycle): boolean =>
  cracked !== undefined && reseated !== undefined;

/** Mean pressure at which it cracked in the cycles of a purpose, Pa gauge; undefined where none were seen. */
export function crackedIn(
  run: RunState,
  purpose: 'as_found' | 'as_left',
  adjuster: string,
): number | undefined {
  const step = stepsOfKind(run, 'capture').find(
    (each) => each.purpose === purpose && each.adjuster === adjuster,
  );
  const cracks = step ? captureCycles(run, step.id).flatMap(({ cracked }) => cracked ?? []) : [];
  return cracks.length === 0 ? undefined : cracks.reduce((sum, pa) => sum + pa, 0) / cracks.length;
}

/** How many whole cycles a capture step wants. */
export const cyclesWanted = (run: RunState, stepId: string): number => {
  const count = stepOfKind(run, 'capture', stepId)?.count;
  return count ?? run.started.house_rules.proving_cycles;
};

/** Pressure at which a search has seen the valve crack; undefined until it has. */
export const crackedAt = (run: RunState, stepId: string): number | undefined =>
  marksOf(run, stepId).findLast(({ mark }) => mark === 'cracked')?.pressure;

/** Marks of a search or a capture, as they stand. */
export function marksOf(run: RunState, stepId: string): readonly CaptureMark[] {
  const step = run.steps.find(({ id }) => id === stepId);
  if (step?.kind !== 'capture' && step?.kind !== 'search') return [];
  return recordOf(run, step).marks;
}

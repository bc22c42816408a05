import { lastReading } from '../last-reading';
import { notProved, proofAtMost, type Proof } from '../proof';
import type { RunState } from '../run-state';
import type { StepOf } from '../shapes';

/**
 * Settings that must stand above what was measured: by so much at the least, and where it is said by so much at
 * the most. Nothing is owed where nothing was measured: the plate's own figure was judged before the start.
 */
export function askProofs(run: RunState, step: StepOf<'ask'>): readonly Proof[] {
  const { key, binds = [] } = step.asks;
  const measured = run.measured[key];
  if (measured === undefined) return [];
  return binds
    .filter(({ adjuster }) => run.adjusters.some(({ id }) => id === adjuster))
    .flatMap(({ adjuster, least, most }) => {
      const { house_rules: rules } = run.started;
      const above = { proof: 'above_load', step, adjuster } as const;
      const within = { proof: 'within_load', step, adjuster } as const;
      const left = lastReading(run, 'as_left', adjuster)?.reading.si;
      if (left === undefined) return [notProved(above), ...(most ? [notProved(within)] : [])];
      return [
        proofAtMost(above, { found: measured + rules[least], bound: left, unit: 'pa' }),
        ...(most
          ? [proofAtMost(within, { found: left, bound: measured + rules[most], unit: 'pa' })]
          : []),
      ];
    });
}

import { differencePa } from '../quantity';
import { sumLimit, sumSetPoint } from '../valve';
import type { Rule, Rung } from './system';

/** `to` must stand at least `weight` above `from`; ORIGIN is zero gauge. */
export type Edge = {
  readonly from: number;
  readonly to: number;
  readonly weight: number;
  /** Place of its rule in the list. */
  readonly rule: number;
};
/** The node that stands at zero; rungs follow as 1 … n. */
export const ORIGIN = 0;

export const lockupOf = (rung: Rung, pa: number): number =>
  rung.lockup ? Math.max(rung.lockup.fraction * Math.max(0, pa), rung.lockup.least_pa) : 0;

/**
 * Rules as difference constraints, tolerances, lockup and accumulation included.
 *
 *     above_by   p(high) − tolerance ≥ p(low) + tolerance + lockup + accumulation + margin
 *     at_most    p + tolerance + lockup + accumulation ≤ pa        (as ORIGIN ≥ p + … − pa)
 *     serves     p ≥ need + lost + column up, and p + tolerance + lockup ≤ rating − column down
 *
 * @param guess  Pa for every rung: lockup that is a share is taken at it
 */
export function compileRules(
  rungs: readonly Rung[],
  rules: readonly Rule[],
  guess: readonly number[],
): readonly Edge[] {
  const place = new Map(rungs.map(({ id }, i) => [id, i + 1]));
  const at = (id: string) => place.get(id)!;
  const rises = (
    rule: { counts_lockup?: boolean | undefined; counts_accumulation?: boolean | undefined },
    id: string,
  ) => {
    const rung = rungs[at(id) - 1]!;
    return (
      rung.tolerance_pa +
      (rule.counts_lockup ? lockupOf(rung, guess[at(id)] ?? 0) : 0) +
      (rule.counts_accumulation ? (rung.accumulation_pa ?? 0) : 0)
    );
  };
  return rules.flatMap((rule, i): Edge[] => {
    switch (rule.kind) {
      case 'above_by': {
        const weight = rule.by_pa + rises(rule, rule.low) + rungs[at(rule.high) - 1]!.tolerance_pa;
        return [{ from: at(rule.low), to: at(rule.high), weight, rule: i }];
      }
      case 'between':
        return [
          { from: at(rule.base), to: at(rule.rung), weight: rule.least_pa, rule: i },
          { from: at(rule.rung), to: at(rule.base), weight: -rule.most_pa, rule: i },
        ];
      case 'at_most':
        return [
          { from: at(rule.rung), to: ORIGIN, weight: rises(rule, rule.rung) - rule.pa, rule: i },
        ];
      case 'at_least':
        return [{ from: ORIGIN, to: at(rule.rung), weight: rule.pa, rule: i }];
      case 'fixed':
        return [
          { from: ORIGIN, to: at(rule.rung), weight: rule.pa, rule: i },
          { from: at(rule.rung), to: ORIGIN, weight: -rule.pa, rule: i },
        ];
      case 'serves': {
        const { rung, sum, density_kgm3: density } = rule;
        const bears = sumLimit(sum, density, differencePa(0));
        const need = { from: ORIGIN, to: at(rung), weight: sumSetPoint(sum, density), rule: i };
        if (bears === undefined) return [need];
        const most = rises({ counts_lockup: true }, rung) - bears;
        return [need, { from: at(rung), to: ORIGIN, weight: most, rule: i }];
      }
    }
  });
}

import type { Ladder } from './solve-ladder';
import type { Economy, System } from './system';

export type FoundWord = 'not_read' | 'too_high' | 'too_low' | 'in_order';
export type FoundBeside = {
  readonly rung: string;
  readonly word: FoundWord;
  /** Pa over (positive) or under the target. */
  readonly off: number;
};

/** What was found beside what should be, rung by rung; a rung stands in order within its tolerance. */
export const foundBeside = (
  system: Pick<System, 'rungs'>,
  { targets }: Ladder,
): readonly FoundBeside[] =>
  system.rungs.map(({ id, found_pa: found, tolerance_pa: tolerance }, i) => {
    if (found === undefined) return { rung: id, word: 'not_read', off: 0 };
    const off = found - targets[i]!.pa;
    const word =
      off > tolerance + 0.5 ? 'too_high' : off < -tolerance - 0.5 ? 'too_low' : 'in_order';
    return { rung: id, word, off };
  });

export type ExcessHeat = { readonly watts: number; readonly costPerYear: number };

/**
 * Heat of pressure that nothing needs, and what it costs.
 *
 *     P = Q · Δp        cost = P/1000 · hours · price
 *
 * @param excess  Pa over what is needed; below nothing there is no heat
 * @returns W and money a year; both 0 at a flow of 0
 * @example excessHeat(1.2e6, { flow_m3s: 95e-3 / 60, hours_per_year: 1000, price_per_kwh: 0.3 })
 *   // → { watts: 1900, costPerYear: 570 }
 */
export function excessHeat(excess: number, economy: Economy): ExcessHeat {
  const watts = Math.max(0, excess) * economy.flow_m3s;
  return { watts, costPerYear: (watts / 1000) * economy.hours_per_year * economy.price_per_kwh };
}

const HEATS = new Set(['compensator', 'pump', 'reducing', 'sustaining']);

/** The excess that all the flow is driven against: the largest found over target on its way. */
export const drivenExcess = (
  system: Pick<System, 'rungs'>,
  beside: readonly FoundBeside[],
): number =>
  Math.max(0, ...system.rungs.flatMap(({ kind }, i) => (HEATS.has(kind) ? [beside[i]!.off] : [])));

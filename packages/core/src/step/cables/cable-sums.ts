import type { Result } from '../../result';
import {
  copperOf,
  instrumentRules,
  loopBudget,
  type CablePlate,
  type LoopBudget,
  type LoopError,
  type LoopNeeds,
} from '../../valve';
import { pilotOf } from '../registers/pilot-of';
import type { RunState } from '../run-state';

export const cables = ['loop', 'power'] as const;
export type CableName = (typeof cables)[number];
/** Fields of a cable that are measured on the spot, by the key under which they are kept. */
export const cableFields = ['supply_v', 'length_m', 'area_m2', 'at_k'] as const;
export type CableField = (typeof cableFields)[number];
export const cableKey = (cable: CableName, field: CableField): string => `cable_${cable}_${field}`;

export type CableSum = {
  readonly cable: CableName;
  /** The plate’s figures, with what was measured in this run in their place. */
  readonly needs: CablePlate;
  readonly budget: Result<LoopBudget, LoopError>;
};

/** What is left of each supply at the end of its cable. The loop keeps the house’s headroom. */
export function cableSums(run: RunState): readonly CableSum[] {
  const plate = pilotOf(run);
  const rules = run.started.house_rules;
  const headroom = instrumentRules(rules).loop_headroom_v;
  const copper = copperOf(rules);
  return cables.map((cable) => {
    const measured = Object.fromEntries(
      cableFields.flatMap((field) => {
        const value = run.measured[cableKey(cable, field)];
        return value === undefined ? [] : [[field, value]];
      }),
    );
    const needs = { ...plate[cable], ...measured };
    return {
      cable,
      needs,
      budget: budgetOf(needs, { headroom: cable === 'loop' ? headroom : 0, copper }),
    };
  });
}

/** The budget of a cable as its plate has it. */
export const budgetOf = (
  needs: CablePlate,
  { headroom, copper }: Pick<LoopNeeds, 'headroom' | 'copper'>,
): Result<LoopBudget, LoopError> =>
  loopBudget({
    supply: needs.supply_v,
    sensor: needs.needs_v,
    headroom,
    copper,
    load: needs.load_ohm,
    current: needs.current_a,
    cable: { length: needs.length_m, area: needs.area_m2, at: needs.at_k },
  });

export const voltsLeft = (run: RunState): boolean =>
  cableSums(run).every(({ budget }) => budget.ok && budget.value.left > 0);

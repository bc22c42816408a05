import type { HouseRules } from '../../valve';
import { house, fact, type Draft } from './draft';
import type { Rung } from '../system';

/** A hydraulic unit: load, compensator, two cross-ports, main relief, weakest part. */
export function hydraulic(rules: HouseRules): Draft {
  const tolerance_pa = 2e5;
  const bar = (pa: number) => `${Math.round(pa / 1e5)} bar`;
  const rungs: Rung[] = [
    { id: 'load', name: 'Heaviest load', kind: 'load', tolerance_pa: 0 },
    { id: 'pump', name: 'Pump', kind: 'pump', tolerance_pa: 0 },
    { id: 'compensator', name: 'Compensator', kind: 'compensator', fed_by: 'pump', tolerance_pa },
    {
      id: 'cross_a',
      name: 'Cross-port A',
      kind: 'cross_port',
      fed_by: 'pump',
      open_when: 'A',
      tolerance_pa,
    },
    {
      id: 'cross_b',
      name: 'Cross-port B',
      kind: 'cross_port',
      fed_by: 'pump',
      open_when: 'B',
      tolerance_pa,
    },
    { id: 'main_relief', name: 'Main relief', kind: 'main_relief', fed_by: 'pump', tolerance_pa },
    { id: 'weakest', name: 'Weakest part', kind: 'rating', tolerance_pa: 0 },
  ];
  const {
    compensator_over_load_pa,
    main_relief_over_compensator_pa,
    cross_port_over_least_pa,
    cross_port_over_most_pa,
  } = rules;
  return {
    rungs,
    rules: [
      fact('load', 'measured', {
        kind: 'fixed',
        rung: 'load',
        pa: 170e5,
        why: 'Heaviest load, measured',
      }),
      fact('pump', 'plate', {
        kind: 'fixed',
        rung: 'pump',
        pa: 280e5,
        why: 'What the pump can drive, by its plate',
      }),
      house('comp', {
        kind: 'between',
        rung: 'compensator',
        base: 'load',
        least_pa: compensator_over_load_pa,
        most_pa: 4 * compensator_over_load_pa,
        why: `Compensator ${bar(compensator_over_load_pa)} over the heaviest load`,
      }),
      house('main', {
        kind: 'between',
        rung: 'main_relief',
        base: 'compensator',
        least_pa: main_relief_over_compensator_pa,
        most_pa: 4 * main_relief_over_compensator_pa,
        why: `Main relief ${bar(main_relief_over_compensator_pa)} over the compensator: it never opens in normal work`,
      }),
      ...(['a', 'b'] as const).flatMap((side) => [
        house(`cross_${side}`, {
          kind: 'between',
          rung: `cross_${side}`,
          base: 'compensator',
          least_pa: cross_port_over_least_pa,
          most_pa: cross_port_over_most_pa,
          why:
            `Cross-port ${side.toUpperCase()} ${bar(cross_port_over_least_pa)} ` +
            `to ${bar(cross_port_over_most_pa)} over what drives the motor`,
        }),
        house(`cross_${side}_main`, {
          kind: 'above_by',
          high: 'main_relief',
          low: `cross_${side}`,
          by_pa: 0,
          why: `Cross-port ${side.toUpperCase()} below the main relief`,
        }),
      ]),
      fact('weakest', 'plate', {
        kind: 'fixed',
        rung: 'weakest',
        pa: 270e5,
        why: 'Weakest part: the hose, by its print',
      }),
      house('under_weakest', {
        kind: 'above_by',
        high: 'weakest',
        low: 'main_relief',
        by_pa: 0,
        counts_accumulation: true,
        why: 'Everything below the rating of the weakest part',
      }),
    ],
  };
}

import type { HouseRules } from '../valve';
import type { Economy, Rule, Rung, System } from './system';

export const templateIds = ['hydraulic', 'pump_station', 'air_header', 'blower', 'free'] as const;
export type TemplateId = (typeof templateIds)[number];
export const templateName: Record<TemplateId, string> = {
  hydraulic: 'Hydraulic unit',
  pump_station: 'Pump station',
  air_header: 'Compressed-air header',
  blower: 'Blower',
  free: 'Free',
};

type Draft = Pick<System, 'rungs' | 'rules'>;
const house = (id: string, rule: { readonly why: string } & Record<string, unknown>) =>
  ({ id, from: 'house_rule', ...rule }) as Rule;
const fact = (
  id: string,
  from: Rule['from'],
  rule: { readonly why: string } & Record<string, unknown>,
) => ({ id, from, ...rule }) as Rule;

/** A hydraulic unit: load, compensator, two cross-ports, main relief, weakest part. */
function hydraulic(rules: HouseRules): Draft {
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

/** A pump, its relief, a sustaining valve, and pressure zones down the slope. */
function pumpStation(rules: HouseRules): Draft {
  const tolerance_pa = 15e3;
  const lockup = { fraction: rules.lockup_fraction, least_pa: rules.lockup_least_pa };
  return {
    rungs: [
      { id: 'cavitation', name: 'Cavitation limit', kind: 'load', tolerance_pa: 0 },
      { id: 'pump', name: 'Pump in normal running', kind: 'pump', tolerance_pa: 0 },
      {
        id: 'relief',
        name: 'Surge relief',
        kind: 'relief',
        fed_by: 'pump',
        tolerance_pa: 30e3,
        accumulation_pa: 60e3,
      },
      {
        id: 'sustaining',
        name: 'Sustaining valve',
        kind: 'sustaining',
        fed_by: 'pump',
        tolerance_pa,
      },
      {
        id: 'zone_1',
        name: 'Zone 1',
        kind: 'reducing',
        fed_by: 'sustaining',
        tolerance_pa,
        lockup,
      },
      { id: 'zone_2', name: 'Zone 2', kind: 'reducing', fed_by: 'zone_1', tolerance_pa, lockup },
      { id: 'pipe', name: 'Pipe of the pump hall', kind: 'rating', tolerance_pa: 0 },
    ],
    rules: [
      fact('pump', 'measured', {
        kind: 'fixed',
        rung: 'pump',
        pa: 950e3,
        why: 'The pump in normal running, measured',
      }),
      fact('cavitation', 'maker', {
        kind: 'fixed',
        rung: 'cavitation',
        pa: 620e3,
        why: 'Below this the pump cavitates',
      }),
      house('sus_over', {
        kind: 'above_by',
        high: 'sustaining',
        low: 'cavitation',
        by_pa: 30e3,
        why: 'Sustaining clear above the cavitation limit',
      }),
      house('sus_under', {
        kind: 'above_by',
        high: 'pump',
        low: 'sustaining',
        by_pa: 50e3,
        why: 'Sustaining below the pump’s normal running',
      }),
      fact('z1_need', 'measured', {
        kind: 'at_least',
        rung: 'zone_1',
        pa: 560e3,
        why: 'Zone 1: its highest hydrant needs it',
      }),
      fact('z2_need', 'measured', {
        kind: 'at_least',
        rung: 'zone_2',
        pa: 400e3,
        why: 'Zone 2: its highest hydrant needs it',
      }),
      house('z1_under', {
        kind: 'above_by',
        high: 'sustaining',
        low: 'zone_1',
        by_pa: 50e3,
        why: 'Reducing below sustaining',
      }),
      house('z2_under', {
        kind: 'above_by',
        high: 'zone_1',
        low: 'zone_2',
        by_pa: 80e3,
        why: 'Each zone needs its least difference to the one above',
      }),
      house('relief_over', {
        kind: 'above_by',
        high: 'relief',
        low: 'pump',
        by_pa: 100e3,
        why: 'Surge relief stays shut in normal running',
      }),
      fact('pipe', 'plate', {
        kind: 'fixed',
        rung: 'pipe',
        pa: 1600e3,
        why: 'Rating of the pipe in the pump hall',
      }),
      house('relief_under', {
        kind: 'above_by',
        high: 'pipe',
        low: 'relief',
        by_pa: 0,
        counts_accumulation: true,
        why: 'Relief wide open still below the pipe’s rating',
      }),
    ],
  };
}

/** Compressor on a switch, header with its safety valve, a reduced tool line with its own relief. */
function airHeader(rules: HouseRules): Draft {
  return {
    rungs: [
      { id: 'cut_out', name: 'Compressor cuts out', kind: 'switch', tolerance_pa: 10e3 },
      {
        id: 'cut_in',
        name: 'Compressor cuts in',
        kind: 'switch',
        fed_by: 'cut_out',
        tolerance_pa: 10e3,
      },
      {
        id: 'safety',
        name: 'Header safety valve',
        kind: 'relief',
        fed_by: 'cut_out',
        tolerance_pa: 20e3,
        accumulation_pa: 80e3,
      },
      {
        id: 'tools',
        name: 'Tool line',
        kind: 'reducing',
        fed_by: 'cut_out',
        tolerance_pa: 15e3,
        lockup: { fraction: rules.lockup_fraction, least_pa: rules.lockup_least_pa },
      },
      {
        id: 'tool_relief',
        name: 'Tool line relief',
        kind: 'relief',
        fed_by: 'tools',
        tolerance_pa: 15e3,
        accumulation_pa: 50e3,
      },
      { id: 'vessel', name: 'Air vessel', kind: 'rating', tolerance_pa: 0 },
    ],
    rules: [
      fact('tools', 'measured', {
        kind: 'at_least',
        rung: 'tools',
        pa: 600e3,
        why: 'Tools need it at the end of the hose',
      }),
      house('in_over', {
        kind: 'above_by',
        high: 'cut_in',
        low: 'tools',
        by_pa: 50e3,
        why: 'Even at cut-in the tool line is fed',
      }),
      house('diff', {
        kind: 'above_by',
        high: 'cut_out',
        low: 'cut_in',
        by_pa: 100e3,
        why: 'Enough differential that the compressor rests',
      }),
      house('safety_over', {
        kind: 'above_by',
        high: 'safety',
        low: 'cut_out',
        by_pa: 70e3,
        why: 'Safety valve shut at cut-out',
      }),
      house('tool_relief_over', {
        kind: 'above_by',
        high: 'tool_relief',
        low: 'tools',
        by_pa: 20e3,
        counts_lockup: true,
        why: 'Relief above the reducing valve’s lockup',
      }),
      fact('vessel', 'plate', { kind: 'fixed', rung: 'vessel', pa: 1100e3, why: 'Vessel’s plate' }),
      house('safety_under', {
        kind: 'above_by',
        high: 'vessel',
        low: 'safety',
        by_pa: 0,
        counts_accumulation: true,
        why: 'Safety valve wide open still within the vessel’s plate',
      }),
    ],
  };
}

/** A blower, its relief valve, the machine's greatest pressure. */
function blower(): Draft {
  return {
    rungs: [
      { id: 'duty', name: 'Duty', kind: 'load', tolerance_pa: 0 },
      {
        id: 'relief',
        name: 'Blower relief',
        kind: 'relief',
        tolerance_pa: 1e3,
        accumulation_pa: 2e3,
      },
      { id: 'machine', name: 'Machine’s greatest pressure', kind: 'rating', tolerance_pa: 0 },
    ],
    rules: [
      fact('duty', 'measured', {
        kind: 'fixed',
        rung: 'duty',
        pa: 20e3,
        why: 'What the duty takes, measured',
      }),
      house('over', {
        kind: 'above_by',
        high: 'relief',
        low: 'duty',
        by_pa: 2e3,
        why: 'Relief shut in normal work',
      }),
      fact('machine', 'plate', {
        kind: 'fixed',
        rung: 'machine',
        pa: 30e3,
        why: 'Plate of the machine',
      }),
      house('under', {
        kind: 'above_by',
        high: 'machine',
        low: 'relief',
        by_pa: 0,
        counts_accumulation: true,
        why: 'All air through the valve, still within the plate',
      }),
    ],
  };
}

const free = (): Draft => ({
  rungs: [{ id: 'source', name: 'Source', kind: 'pump', tolerance_pa: 0 }],
  rules: [
    fact('source', 'measured', { kind: 'fixed', rung: 'source', pa: 800e3, why: 'Measured' }),
  ],
});

const drafts: Record<TemplateId, (rules: HouseRules) => Draft> = {
  hydraulic,
  pump_station: pumpStation,
  air_header: airHeader,
  blower,
  free,
};
const economies: Partial<Record<TemplateId, number>> = {
  hydraulic: 95e-3 / 60,
  pump_station: 12e-3,
  air_header: 0.05,
};

/** A new system of a common arrangement, its margins taken from the house rules. */
export const systemFrom = (
  template: TemplateId,
  rules: HouseRules,
  given: Pick<System, 'id' | 'name' | 'site_id'>,
): System => ({ ...given, ...drafts[template](rules), economy: economyOf(template) });

const economyOf = (template: TemplateId): Economy => ({
  flow_m3s: economies[template] ?? 0,
  hours_per_year: 2000,
  price_per_kwh: 0.25,
  currency: '€',
});

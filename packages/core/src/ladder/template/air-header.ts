import type { HouseRules } from '../../valve';
import { house, fact, type Draft } from './draft';

/** Compressor on a switch, header with its safety valve, a reduced tool line with its own relief. */
export function airHeader(rules: HouseRules): Draft {
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

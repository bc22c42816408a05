import type { HouseRules } from '../../valve';
import { house, fact, type Draft } from './draft';

/** A pump, its relief, a sustaining valve, and pressure zones down the slope. */
export function pumpStation(rules: HouseRules): Draft {
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

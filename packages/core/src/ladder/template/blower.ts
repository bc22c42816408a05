import { house, fact, type Draft } from './draft';

/** A blower, its relief valve, the machine's greatest pressure. */
export function blower(): Draft {
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

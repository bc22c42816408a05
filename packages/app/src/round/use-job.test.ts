import type { Round } from '@holvek/core';
import { act, renderHook } from '@testing-library/react';
import { useJob } from './use-job';
import { changePreferences } from '@/prefs/preferences';

const round = (over: Partial<Round>): Round => ({
  id: 'hill',
  name: 'Hill round',
  site_id: 'larkhollow',
  day: '2026-11-20',
  valve_ids: ['prv-05'],
  why_this_order: 'By hand.',
  ...over,
});
let mockRounds: readonly Round[] = [];
jest.mock('@/data/queries', () => ({ useRounds: () => ({ data: mockRounds }) }));

const orderOf = (valve: string) => renderHook(() => useJob(valve)).result.current[0]?.order;

describe('the job that a run is done for', () => {
  beforeEach(() => {
    mockRounds = [
      round({ job: { order: 'LH-1' } }),
      round({ id: 'late', day: '2026-12-01', job: { order: 'LH-2' } }),
      round({ id: 'gone', day: '2026-12-24', archived: true, job: { order: 'LH-3' } }),
      round({ id: 'other', day: '2026-12-31', valve_ids: ['prv-07'], job: { order: 'LH-4' } }),
    ];
    changePreferences({ round: '' });
  });

  test('is that of the latest round that the valve is in, and of none that is archived', () => {
    expect(orderOf('prv-05')).toBe('LH-2');
    expect(orderOf('sus-03')).toBeUndefined();
  });

  test('is that of the round in hand before all', () => {
    changePreferences({ round: 'hill' });
    expect(orderOf('prv-05')).toBe('LH-1');
  });

  test('is what was told instead', () => {
    const { result } = renderHook(() => useJob('prv-05'));
    act(() => result.current[1]({ order: 'LH-9' }));
    expect(result.current[0]).toEqual({ order: 'LH-9' });
  });
});

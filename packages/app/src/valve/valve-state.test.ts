import { defaultHouseRules as rules, type Repair } from '@holvek/core';
import { afterRepair, givenUpRunsOf, openPracticeOf, openRunOf, standingOf } from './valve-state';
import { sheet, valve } from '@/testing/samples';

const now = Date.parse('2026-11-24T08:00:00Z');
const steady = [
  sheet('2023-11-01', 430, 440),
  sheet('2024-11-01', 441, 440),
  sheet('2025-11-20', 440, 441),
];
const drifting = [
  sheet('2023-11-01', 430, 440),
  sheet('2024-11-01', 460, 440),
  sheet('2025-11-20', 466, 441),
];

describe('where a valve stands', () => {
  test.each([
    ['never set', []],
    ['in order', steady],
    ['overdue', [sheet('2025-06-01', 430, 440)]],
    ['drifting', drifting],
  ])('%s', (standing, sheets) => {
    expect(standingOf(valve, sheets, { rules, run: undefined, now })).toBe(standing);
  });

  const last = (over: Parameters<typeof sheet>[3]) => [
    ...steady,
    sheet('2026-11-20', 440, 440, over),
  ];
  test.each([
    ['not in order', { outcome: 'proof_failed', verdict: 'fail' }],
    ['not in order', { verdict: 'fail' }],
    ['not in order', { outcome: 'could_not_be_set', verdict: null }],
    ['not in order', { outcome: 'given_up', verdict: null }],
    ['not in order', { open_ends: [{ id: 'cap', say: 'Cap off', state: 'left' }] }],
    ['out of service', { outcome: 'out_of_service', verdict: null }],
    ['no margin', { verdict: 'pass_without_margin' }],
    ['not all proved', { verdict: 'not_proved' }],
    ['in order', { outcome: 'left_as_found', verdict: null }],
  ] as const)('%s after %j', (standing, over) => {
    const sheets = last(over as Parameters<typeof sheet>[3]);
    expect(standingOf(valve, sheets, { rules, run: undefined, now })).toBe(standing);
  });

  test('after a repair it is to be proved, unless it is in hand or retired', () => {
    const repair = { id: 'r' } as Repair;
    expect(afterRepair('in order', undefined)).toBe('in order');
    for (const before of ['in order', 'not in order', 'out of service', 'never set'] as const)
      expect(afterRepair(before, repair)).toBe('to be proved');
    for (const before of ['in hand', 'retired'] as const)
      expect(afterRepair(before, repair)).toBe(before);
  });

  test('a run in hand comes before everything', () => {
    expect(standingOf(valve, drifting, { rules, run: {} as never, now })).toBe('in hand');
  });
});

describe('practice', () => {
  const entry = (over: object, status = 'open', openEnds: object[] = []) => ({
    run: { started: { valve_id: valve.id, ...over }, status, openEnds, lastAtMs: 1 } as never,
    events: [],
  });
  const shelf = new Map([
    ['record', entry({ purpose: 'record' })],
    ['practice', entry({ purpose: 'practice' })],
    ['before', entry({ twin: { seed: 1, faults: [], found_pa: 1 } })],
  ]);

  test('is not in hand for the valve, and has its own list', () => {
    const { run } = shelf.get('record')!;
    expect(openRunOf(shelf, valve.id)).toBe(run);
    expect(openPracticeOf(shelf)).toHaveLength(2);
    expect(openRunOf(new Map([['practice', shelf.get('practice')!]]), valve.id)).toBeUndefined();
  });

  test('open ends of what was given up are shown for records alone', () => {
    const ends = [{ id: 'cap', say: 'Cap off', state: 'open' }];
    const left = new Map([
      ['record', entry({ purpose: 'record' }, 'abandoned', ends)],
      ['practice', entry({ purpose: 'practice' }, 'abandoned', ends)],
      ['closed', entry({ purpose: 'record' }, 'abandoned', [{ ...ends[0], state: 'closed' }])],
    ]);
    expect(givenUpRunsOf(left, valve.id)).toEqual([left.get('record')!.run]);
  });
});

import { freezeSheet, reduceRun, summaryOf, unwrap, type Run, type Sheet } from '@holvek/core';
import { practised, run } from '@/testing/signed-run';
import { visitsBy } from './use-visits';

const body = unwrap(freezeSheet(run, null));
const { valve_id: valveId } = body;
const filed = (over: Partial<Sheet['body']> = {}): Sheet => ({
  id: 'filed',
  hash: 'a'.repeat(64),
  body: { ...body, ...over },
});
const runsSeen = (sheets: readonly Sheet[], runs: readonly Run[]) =>
  visitsBy([summaryOf(valveId, sheets)], runs)
    .get(valveId)!
    .map((visit) => visit.body.run_id);

describe('visits to a valve', () => {
  test('what was signed here counts at once, after what was filed before', () => {
    const before = filed({ run_id: 'before', signed_at_ms: body.signed_at_ms - 1 });
    expect(runsSeen([before], [run])).toEqual(['before', 'run-1']);
    expect(visitsBy([], [run]).get(valveId)).toHaveLength(1);
  });

  test('once it is filed it counts once, corrected or not', () => {
    expect(runsSeen([filed()], [run])).toEqual(['run-1']);
    expect(runsSeen([filed({ revision: 2 })], [run])).toEqual(['run-1']);
  });

  test('an old run on this phone does not come after newer visits', () => {
    const later = filed({ run_id: 'later', signed_at_ms: body.signed_at_ms + 1 });
    expect(runsSeen([later], [run])).toEqual(['later']);
  });

  test('practice, and what is not signed, is none', () => {
    expect(visitsBy([], [unwrap(reduceRun(practised))]).size).toBe(0);
    expect(visitsBy([], [{ ...run, status: 'open' }]).size).toBe(0);
  });
});

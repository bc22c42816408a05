import { startDraft, valveAfter, type Valve } from '../exchange';
import { unwrap } from '../result';
import { withPlainFigures } from '../digest';
import { freezeSheet, hashOf, type Sheet, type SheetBody } from '../sheet';
import { rehearsedFamily } from '../testing/family-samples';
import { gauges, plate, rehearsed, stamp, startedDraft, target } from '../testing/samples';
import { asRecord } from '../twin';
import { defaultHouseRules as rules } from '../valve';
import type { RunEvent } from './event';
import { isPractice, purposeOf } from './purpose';
import { reduceRun } from './reduce';

const twin = { seed: 1, faults: [], found_pa: 500_000 };
const bodyOf = (events: readonly RunEvent[]) =>
  unwrap(freezeSheet(unwrap(reduceRun(events)), null));
const sheetOf = (body: SheetBody): Sheet => ({ id: 'sheet', hash: hashOf(body), body });
const valve: Valve = {
  id: 'prv-1',
  tag: 'PRV-1',
  name: 'Test line',
  place: 'Hall',
  site_id: 'larkhollow',
  plate,
  target,
} as Valve;

describe('what a run is for', () => {
  test('is said at its start; before it was said, a twin made it practice', () => {
    expect(purposeOf({ purpose: 'practice' })).toBe('practice');
    expect(purposeOf({ purpose: 'record' })).toBe('record');
    expect(purposeOf({ twin })).toBe('practice');
    expect(purposeOf({})).toBe('record');
    expect(isPractice({ purpose: 'practice' })).toBe(true);
  });

  test('a record is never made on a twin', () => {
    const started = startedDraft({ purpose: 'record', twin });
    expect(reduceRun([stamp(started, 1)])).toEqual({
      ok: false,
      error: { code: 'run.record_on_twin' },
    });
    expect(reduceRun([stamp(startedDraft({ purpose: 'practice', twin }), 1)]).ok).toBe(true);
  });

  test('a start takes the twin for practice, and nothing else', () => {
    const options = { school: 'from_zero', gauges, rules, sheets: [] };
    expect(startDraft(valve, options).purpose).toBe('record');
    expect(startDraft(valve, { ...options, twin })).toMatchObject({ purpose: 'practice', twin });
  });
});

describe('a record made of a rehearsal', () => {
  const { events } = rehearsed({ seed: 3 });
  const practice = bodyOf(events);
  const record = bodyOf(asRecord(events));

  test('comes to the same figures, and is no practice', () => {
    expect(practice.rehearsal).toBe(true);
    expect(record.rehearsal).toBe(false);
    expect(record.settings).toEqual(withPlainFigures(practice.settings));
    expect(record.proofs).toEqual(withPlainFigures(practice.proofs));
  });

  test.each(['positioner', 'relief_pilot', 'burner_pilot', 'electronic_pilot'] as const)(
    'nothing of %s is linked any more',
    (name) => {
      const given = asRecord(rehearsedFamily(name).events);
      expect(JSON.stringify(given)).not.toContain('"linked"');
      expect(given[0]).toMatchObject({ type: 'started', purpose: 'record' });
      expect(given[0]).not.toHaveProperty('twin');
      expect(reduceRun(given).ok).toBe(true);
    },
  );

  test('practice teaches neither the register nor the next run', () => {
    const learned = {
      settings: [{ ...record.settings[0]!, clockwise: 'lowers' as const, rate_pa_per_turn: -9e4 }],
    };
    const taught = sheetOf({ ...record, ...learned });
    const practised = sheetOf({ ...practice, ...learned });
    expect(valveAfter(valve, taught).plate.clockwise).toBe('lowers');
    expect(valveAfter(valve, practised)).toBe(valve);
    const priorOf = (sheet: Sheet) =>
      startDraft(valve, { school: 'from_zero', gauges, rules, sheets: [sheet] }).priors['main']!;
    expect(priorOf(taught).from).toBe('sheets');
    expect(priorOf(practised).from).toBe('spring');
  });

  test('a visit answers the last record that was not in order, never practice', () => {
    const failed = { outcome: 'proof_failed', verdict: 'fail' } as const;
    const start = (sheets: readonly Sheet[]) =>
      startDraft(valve, { school: 'from_zero', gauges, rules, sheets }).answers_sheet;
    const bad = sheetOf({ ...record, ...failed });
    expect(start([bad])).toBe(bad.hash);
    expect(start([bad, sheetOf(record)])).toBeUndefined();
    expect(start([sheetOf({ ...practice, ...failed })])).toBeUndefined();
    const answer = bodyOf([
      stamp(startedDraft({ answers_sheet: bad.hash, twin }), 1),
      ...rehearsed({ seed: 3 }).events.slice(1),
    ]);
    expect(answer.answers_sheet).toBe(bad.hash);
  });
});

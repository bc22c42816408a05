import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { digestOf } from '../digest';
import { unwrap } from '../result';
import { reduceRun, type RunEvent } from '../run';
import { rehearsed } from '../testing/samples';
import { freezeSheet } from './freeze';
import type { Sheet } from './sheet';
import { standingRecords, summaryOf, valveVisitSchema } from './visit';

type Stored = { readonly name: string; readonly events: RunEvent[] };
const stored = JSON.parse(
  readFileSync(join(__dirname, '../testing/stored-runs.json'), 'utf8'),
) as readonly Stored[];
const { events } = stored.find(({ name }) => name.startsWith('reducing')) ?? stored[0]!;
const body = { ...unwrap(freezeSheet(unwrap(reduceRun(events)), null)), rehearsal: false };
/** Named by its id; the hash is any. */
const sheet = (id: string, signed_at_ms: number, over: Partial<Sheet['body']> = {}): Sheet => ({
  id,
  hash: digestOf(id),
  body: { ...body, signed_at_ms, ...over },
});

describe('the row of a valve', () => {
  test('keeps of each visit what standing, drift, rate and lists go by', () => {
    const { settings, plate, ...kept } = summaryOf('v', [sheet('a', 1)]).visits[0]!.body;
    expect(Object.keys(kept).sort()).toEqual(
      [
        'gauges',
        'open_ends',
        'outcome',
        'rehearsal',
        'revision',
        'run_id',
        'school',
        'signed_at_ms',
        'started_at_ms',
        'technician',
        'valve_id',
        'valve_name',
        'valve_tag',
        'verdict',
        ...['ended', 'proofs', 'tables', 'other_gauges'].filter((key) => key in body),
      ].sort(),
    );
    expect(Object.keys(plate)).toEqual(['family', 'fitted_spring']);
    expect(settings.every((each) => !('dots' in each))).toBe(true);
    const later = {
      ...unwrap(freezeSheet(rehearsed({ seed: 3 }).run, null)),
      other_gauges: [],
      out_of_service_because: 'worn',
      ended: { why: 'no_time', reason: 'hail' },
    };
    const whole = sheet('a', 1, later as never).body;
    const {
      settings: _,
      plate: _also,
      ...rest
    } = valveVisitSchema.parse(sheet('a', 1, later as never)).body;
    const { proofs, tables, other_gauges, out_of_service_because, ended } = whole;
    expect(rest).toMatchObject({ proofs, other_gauges, out_of_service_because, ended });
    expect(rest.tables).toEqual(tables);
  });

  test('keeps its records in order of date, without what a revision corrects', () => {
    const sheets = [
      sheet('b', 2),
      sheet('a', 1),
      sheet('b2', 3, { corrects: { hash: digestOf('b'), why: 'x' } }),
    ];
    expect(standingRecords(sheets).map(({ id }) => id)).toEqual(['a', 'b2']);
    expect(summaryOf('v', sheets)).toMatchObject({ count: 2, needs_answer: false });
  });

  test('knows nothing of practice', () => {
    const practised = sheet('p', 5, { rehearsal: true, outcome: 'could_not_be_set' });
    expect(summaryOf('v', [practised])).toEqual({
      valve_id: 'v',
      count: 0,
      needs_answer: false,
      visits: [],
    });
    expect(summaryOf('v', [sheet('a', 1), practised]).needs_answer).toBe(false);
  });

  test('asks for an answer when the last of its records does', () => {
    const failed = sheet('f', 5, { outcome: 'proof_failed', verdict: 'fail' });
    expect(summaryOf('v', [sheet('a', 1), failed]).needs_answer).toBe(true);
    expect(summaryOf('v', [failed, sheet('z', 9)]).needs_answer).toBe(false);
  });

  test('stays small: the latest two dozen, counting all, without the trace', () => {
    const many = Array.from({ length: 30 }, (_, i) => sheet(`s${i}`, i));
    const row = summaryOf('v', many);
    expect(row.count).toBe(30);
    expect(row.visits.map(({ id }) => id)).toEqual(many.slice(6).map(({ id }) => id));
    expect(JSON.stringify(row.visits[0]).length).toBeLessThan(JSON.stringify(many[0]).length / 3);
    expect(valveVisitSchema.parse(row.visits[0])).toEqual(row.visits[0]);
  });
});

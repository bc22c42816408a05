import { printersIn, report } from '../report';
import { unwrap } from '../result';
import { reduceRun } from '../run';
import { freezeSheet, sheetBodySchema } from '../sheet';
import { familyStarted, rehearsedFamily } from '../testing/family-samples';
import { defaultHouseRules, jobLine, jobOf, jobSchema } from '../valve';
import { startDraft } from './start-run';
import type { Valve } from './valve-record';

const job = { order: 'LH-2207', permit: 'W-118', client: 'Larkhollow Estates' };

describe('a job', () => {
  test('is what was typed, trimmed and without what is empty', () => {
    const texts = { name: ' ', order: ' LH-2207 ', permit: 'W-118', client: 'Larkhollow Estates' };
    expect(jobOf({ ...texts, contact: '' })).toEqual(job);
    expect(jobOf({ name: '  ', order: '' })).toBeUndefined();
  });

  test('says in one line what its numbers are numbers of', () => {
    expect(jobLine({ ...job, name: 'Autumn visit', contact: 'Gatehouse' })).toBe(
      'Autumn visit · order LH-2207 · permit W-118 · Larkhollow Estates · Gatehouse',
    );
  });

  test('takes no empty entry, and none longer than a line', () => {
    expect(jobSchema.safeParse(job).success).toBe(true);
    expect(jobSchema.safeParse({ order: '' }).success).toBe(false);
    expect(jobSchema.safeParse({ client: 'x'.repeat(120) }).success).toBe(true);
    expect(jobSchema.safeParse({ client: 'x'.repeat(121) }).success).toBe(false);
  });
});

const words = { print: printersIn('kPa'), signalSay: String, timeSay: String };

describe('a job on its way to the sheet', () => {
  const started = familyStarted('gas');
  const valve: Valve = {
    id: started.valve_id,
    tag: started.valve_tag,
    name: started.valve_name,
    place: 'Lodge',
    plate: started.plate,
    target: started.target,
  };
  const options = {
    school: started.school,
    gauges: started.gauges,
    rules: defaultHouseRules,
    sheets: [],
    job,
  };

  test('goes into a record, and never into practice', () => {
    expect(startDraft(valve, options).job).toEqual(job);
    expect(startDraft(valve, { ...options, job: undefined })).not.toHaveProperty('job');
    expect(startDraft(valve, { ...options, twin: started.twin! })).not.toHaveProperty('job');
  });

  test('is frozen with it, and read there in words', () => {
    const { events } = rehearsedFamily('gas', { job } as never);
    const body = unwrap(freezeSheet(unwrap(reduceRun(events)), null));
    expect(sheetBodySchema.parse(JSON.parse(JSON.stringify(body))).job).toEqual(job);
    const { blocks } = report(body, words);
    expect(blocks.find((block) => block.title === 'For whom')).toEqual({
      kind: 'rows',
      title: 'For whom',
      rows: [
        { label: 'Order number', value: 'LH-2207' },
        { label: 'Permit number', value: 'W-118' },
        { label: 'Client', value: 'Larkhollow Estates' },
      ],
    });
    const { job: _, ...untold } = body;
    expect(report(untold, words).blocks.map(({ title }) => title)).not.toContain('For whom');
  });
});

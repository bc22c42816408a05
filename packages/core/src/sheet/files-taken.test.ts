import { digestOf } from '../digest';
import { unwrap } from '../result';
import { reduceRun, type RunEventDraft } from '../run';
import { stepsOfKind } from '../step';
import { familyStarted, rehearsedFamily, type SampleName } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { filesTaken } from './files-taken';
import { freezeSheet } from './freeze';
import { sheetBodySchema } from './sheet';

const runOf = (name: SampleName, ...drafts: RunEventDraft[]) =>
  unwrap(
    reduceRun([stamp(familyStarted(name), 1), ...drafts.map((draft, i) => stamp(draft, i + 2))]),
  );
const ramp = { name: 'ramp.csv', sha256: digestOf('ramp') };
const watch = { name: 'night.csv', sha256: digestOf('night') };

const capture = stepsOfKind(runOf('relief_pilot'), 'capture')[0]!;
const logged = (over: object = ramp): RunEventDraft => ({
  type: 'log_taken',
  step_id: capture.id,
  name: 'ramp.csv',
  samples: [[0, 1]],
  cycles: [{ cracked: 1_180_000, sure: 0.9 }],
  ...over,
});

const outlet = runOf('self_operated').gauges.outlet!;
const watched = (si: number): RunEventDraft => ({
  type: 'reading',
  step_id: 'no_flow',
  role: 'outlet',
  purpose: 'no_flow',
  settled: false,
  reading: {
    si,
    entered: { text: String(si / 1000), unit: 'kPa' },
    gauge_id: outlet.id,
    source: 'file',
    file: watch,
  },
});

describe('files of loggers that a run rests on', () => {
  test('are named once for what they show, however many figures came from them', () => {
    expect(filesTaken(runOf('relief_pilot', logged(), logged()))).toEqual([
      { ...ramp, shows: 'opening' },
    ]);
    expect(filesTaken(runOf('self_operated', watched(200_000), watched(201_000)))).toEqual([
      { ...watch, shows: 'watch' },
    ]);
  });

  test('the file of a step test as well', () => {
    const { run } = rehearsedFamily('controller');
    expect(filesTaken(run)).toEqual([]);
    const tune = stepsOfKind(run, 'tune')[0]!;
    const taken = runOf('controller', {
      type: 'step_tested',
      step_id: tune.id,
      samples: [[0, 50, 50]],
      source: 'file',
      file: ramp,
    });
    expect(filesTaken(taken)).toEqual([{ ...ramp, shows: 'step_test' }]);
  });

  test('two of one name are two, and one that was taken back is none', () => {
    const other = { ...ramp, sha256: digestOf('another') };
    expect(filesTaken(runOf('relief_pilot', logged(), logged(other)))).toHaveLength(2);
    const undone: RunEventDraft = { type: 'undone', undoes: 'e00002' };
    expect(filesTaken(runOf('relief_pilot', logged(), undone))).toEqual([]);
  });

  test('a run of before names none, and its sheet has no word of them', () => {
    expect(filesTaken(runOf('relief_pilot', logged({})))).toEqual([]);
    expect(unwrap(freezeSheet(rehearsedFamily('relief_pilot').run, null))).not.toHaveProperty(
      'files',
    );
  });
});

test('the sheet is frozen with them', () => {
  const { events } = rehearsedFamily('self_operated');
  const fromFile = events.map((event) =>
    event.type === 'reading' && event.purpose === 'no_flow'
      ? { ...event, reading: { ...event.reading, source: 'file' as const, file: watch } }
      : event,
  );
  const body = unwrap(freezeSheet(unwrap(reduceRun(fromFile)), null));
  expect(body.files).toEqual([{ ...watch, shows: 'watch' }]);
  expect(sheetBodySchema.parse(body).files).toEqual(body.files);
  expect(body.readings.filter(({ reading }) => reading.file).length).toBeGreaterThan(1);
});

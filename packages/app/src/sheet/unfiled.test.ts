import {
  asRecord,
  freezeSheet,
  hashOf,
  reduceRun,
  rehearse,
  twinOf,
  unwrap,
  type EventOf,
  type Run,
  type Sheet,
} from '@holvek/core';
import { startedDraft } from '@/testing/samples';
import { listedSheets } from './unfiled';

const started = { ...startedDraft(), twin: { seed: 3, faults: [], found_pa: 500_000 } };
const stamp = { id: 'e', run_id: 'run-1', author: 'Edda', at_ms: 1_790_000_000_000, lamport: 1 };
let made = 0;
const { events: practised } = rehearse({
  started: { ...started, purpose: 'practice' },
  runId: 'run-1',
  twin: twinOf({ ...started, ...stamp } as EventOf<'started'>)!,
  author: 'Edda',
  startAtMs: stamp.at_ms,
  newId: () => `e${++made}`,
});
const run: Run = unwrap(reduceRun(asRecord(practised)));
const body = unwrap(freezeSheet(run, null));
const sheet: Sheet = { id: 'filed', hash: hashOf(body), body };

describe('sheets as a list shows them', () => {
  test('what was signed here stands first until it is filed', () => {
    expect(listedSheets([], [run], new Set())).toEqual([
      { key: run.id, body, path: `/runs/${run.id}`, isFiled: false },
    ]);
    const other = { ...sheet, body: { ...body, run_id: 'another' } };
    expect(listedSheets([other], [run], new Set()).map(({ isFiled }) => isFiled)).toEqual([
      false,
      true,
    ]);
  });

  test('once it is filed it stands there once', () => {
    expect(listedSheets([sheet], [run], new Set())).toHaveLength(1);
    expect(listedSheets([], [run], new Set([run.id]))).toEqual([]);
  });

  test('practice, and what is not signed, is none', () => {
    expect(listedSheets([], [unwrap(reduceRun(practised))], new Set())).toEqual([]);
    expect(listedSheets([], [{ ...run, status: 'open' }], new Set())).toEqual([]);
  });
});

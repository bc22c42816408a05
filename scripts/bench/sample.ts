import {
  asRecord,
  createTwin,
  defaultHouseRules,
  procedureOf,
  rehearse,
  sealEntries,
  startDraft,
  twinOf,
  type EventOf,
  type RunEvent,
  type TwinFault,
} from '@holvek/core';
import { demoGauges, demoValves } from '../../packages/server/src/seed/valves';

const demo = demoValves.find(({ valve }) => valve.tag === 'PRV-07')!.valve;
const now = Date.UTC(2026, 10, 24);
const gauges = { inlet: demoGauges(now)[0]!, outlet: demoGauges(now)[1]! };
export const benchValve = demo;
export const benchGauges = Object.values(gauges);

export const twinForBench = (faults: readonly TwinFault[]) =>
  createTwin({
    plate: demo.plate,
    targets: demo,
    sketch: { seed: 4, faults: [...faults], found_pa: 500_000 },
    gauges,
    initial: procedureOf('reducing').initial,
  });

/** A run of the valve on its twin, whole or until a step. */
function rehearsedRun(runId: string, stopBefore?: string): readonly RunEvent[] {
  const started = startDraft(demo, {
    school: 'from_zero',
    gauges,
    rules: defaultHouseRules,
    sheets: [],
    twin: { seed: 4, faults: [], found_pa: 500_000 },
  });
  const base = { id: '', run_id: runId, author: '', at_ms: now, lamport: 1 };
  let n = 0;
  return rehearse({
    started,
    runId,
    twin: twinOf({ ...started, ...base } as EventOf<'started'>)!,
    author: 'Bench',
    startAtMs: now,
    newId: () => `${runId}-${++n}`,
    ...(stopBefore ? { stopBefore } : {}),
  }).events;
}

/** A run with about `count` events: a whole one, and readings until it is long enough. */
export function longRun(runId: string, count: number): RunEvent[] {
  const events = rehearsedRun(runId, 'as_left');
  const reading = events.findLast(({ type }) => type === 'reading')!;
  const more = Array.from({ length: Math.max(0, count - events.length) }, (_, i) => ({
    ...reading,
    id: `${runId}-more-${i}`,
    lamport: events.length + 1 + i,
  }));
  return sealEntries([...events, ...more]);
}

let whole: readonly RunEvent[] | undefined;
/** A signed record of the valve under an id of its own: the same every time for the same id. */
export function recordRun(runId: string): readonly RunEvent[] {
  whole ??= rehearsedRun('record');
  return asRecord(
    whole.map((event) => ({ ...event, run_id: runId, id: event.id.replace('record', runId) })),
  );
}

import {
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

export const twinForBench = (faults: readonly TwinFault[]) =>
  createTwin({
    plate: demo.plate,
    targets: demo,
    sketch: { seed: 4, faults: [...faults], found_pa: 500_000 },
    gauges,
    initial: procedureOf('reducing').initial,
  });

/** A run with about `count` events: a whole one, and notes until it is long enough. */
export function longRun(runId: string, count: number): RunEvent[] {
  const started = startDraft(demo, {
    school: 'from_zero',
    gauges,
    rules: defaultHouseRules,
    sheets: [],
    twin: { seed: 4, faults: [], found_pa: 500_000 },
  });
  let n = 0;
  const base = {
    ...started,
    id: '',
    run_id: runId,
    author: '',
    at_ms: now,
    lamport: 1,
  } as EventOf<'started'>;
  const { events } = rehearse({
    started,
    runId,
    twin: twinOf(base)!,
    author: 'Bench',
    startAtMs: now,
    newId: () => `${runId}-${++n}`,
    stopBefore: 'as_left',
  });
  const reading = events.findLast(({ type }) => type === 'reading')!;
  const more = Array.from({ length: Math.max(0, count - events.length) }, (_, i) => ({
    ...reading,
    id: `${runId}-more-${i}`,
    lamport: events.length + 1 + i,
  }));
  return sealEntries([...events, ...more]);
}

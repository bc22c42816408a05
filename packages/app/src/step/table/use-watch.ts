import { lockupAllowedIn, noFlowVerdict, type StepOf } from '@holvek/core';
import { useEffect, useRef, useState } from 'react';
import { useReading, type TypedValue } from '../parts/use-reading';
import { useDesk } from '@/run/use-desk';

/** Readings that a linked watch takes. */
const WANTED = 9;

/** A reading that could not be taken is tried again, or the watch would never end. */
const AGAIN_MS = 400;

/** A record over time: readings taken by themselves where a gauge is linked, what they say so far. */
export function useWatch(step: StepOf<'table'>) {
  const { add, run } = useDesk();
  const { gauge, live, takeLinked, takeTyped } = useReading(step);
  const [isAsked, setAsked] = useState(false);
  const [missed, setMissed] = useState(0);
  const { house_rules: rules, target } = run.started;
  const taken = run.readings.filter(({ stepId }) => stepId === step.id);
  const count = taken.length;
  const start = taken[0]?.atMs;
  const every = rules.no_flow_record_s / (WANTED - 1);
  const elapsed = () => (start === undefined ? 0 : Math.round((Date.now() - start) / 100) / 10);
  const isWatching = isAsked && count < WANTED;
  const take = useRef(takeLinked);
  useEffect(() => {
    take.current = takeLinked;
  });
  useEffect(() => {
    if (!isWatching) return undefined;
    const due = start === undefined ? 0 : start + count * every * 1000 - Date.now();
    const again = missed > 0 ? AGAIN_MS : 0;
    const timer = setTimeout(
      () => void take.current(elapsed()).then((isTaken) => isTaken || setMissed((n) => n + 1)),
      Math.max(again, due),
    );
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a new reading starts the next wait
  }, [isWatching, count, start, every, missed]);
  const record = taken.map(({ reading, elapsed: t }) => ({ t: t ?? 0, value: reading.si }));
  const set = run.readings.findLast(({ purpose }) => purpose === 'setting')?.reading.si;
  const small = set ?? target.set_point_pa;
  const verdict =
    gauge && noFlowVerdict(record, small, gauge.resolution_pa, lockupAllowedIn(run, small));
  return {
    gauge,
    live,
    record,
    count,
    every,
    isWatching,
    rows: step.rows,
    wanted: WANTED,
    shown: taken.at(-1)?.reading.si,
    isEnough: count >= step.rows,
    verdict: verdict?.ok ? verdict.value : undefined,
    start: () => setAsked(true),
    typed: (value: TypedValue) => void takeTyped(value, elapsed()),
    finish: () => void add({ type: 'step_done', step_id: step.id }),
  };
}
export type Watch = ReturnType<typeof useWatch>;

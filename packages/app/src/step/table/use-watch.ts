import {
  noFlowRecordOf,
  watchStateOf,
  type LoggedReading,
  type LoggerFile,
  type Sample,
  type StepOf,
  type Watched,
} from '@holvek/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useReading, type TypedValue } from '../parts/use-reading';
import { useDesk } from '@/desk/use-desk';

/** Readings of the least watch that are entered; what a linked gauge says between goes with the next. */
const ENTERED = 8;
/** s between two values that are kept of what a linked gauge says. */
const EVERY = 1;

/** A record over time: readings taken by themselves where a gauge is linked, what they say so far. */
export function useWatch(step: StepOf<'table'>) {
  const { run } = useDesk();
  const { gauge, live, tapping, samples, takeLinked, takeTyped, takeLogged } = useReading(step);
  const [isAsked, setAsked] = useState(false);
  const state = useMemo(() => watchStateOf(run, step.rows), [run, step.rows]);
  const record = useMemo(() => noFlowRecordOf(run), [run]);
  const taken = run.readings.filter(({ stepId }) => stepId === step.id);
  const start = taken[0]?.atMs;
  const every = state.least / ENTERED;
  const byClock = () => (start === undefined ? 0 : Math.round((Date.now() - start) / 100) / 10);
  const isWatching = isAsked && !state.isOver;
  useLinkedWatch({ isWatching, samples, every, byClock, takeLinked });
  return {
    ...state,
    gauge,
    live,
    every,
    isWatching,
    record,
    count: taken.length,
    rows: step.rows,
    shown: taken.at(-1)?.reading.si,
    isEnough: taken.length >= step.rows,
    start: () => setAsked(true),
    /** It was taken from a log: no clock of this phone goes on with it. */
    isLogged: taken.some(({ reading }) => reading.source === 'file'),
    /** Takes the readings of a log over, in order; those that come before one that fails stay. */
    logged: async (readings: readonly LoggedReading[], file: LoggerFile): Promise<boolean> => {
      for (const { si, elapsed_s, between } of readings) {
        const over = {
          elapsed_s,
          between: between.map(({ t_s, si: shown }) => ({ t_s, si: tapping.at(shown) })),
        };
        if (!(await takeLogged(tapping.at(si), file, over))) return false;
      }
      return true;
    },
    typed: (value: TypedValue) => void takeTyped(value, { elapsed_s: byClock() }),
  };
}
export type Watch = ReturnType<typeof useWatch>;

type Linked = Pick<ReturnType<typeof useReading>, 'samples' | 'takeLinked'> & {
  readonly isWatching: boolean;
  /** s between two readings. */
  readonly every: number;
  /** s since the watch began, by the phone's own clock. */
  readonly byClock: () => number;
};

/** Takes a reading whenever one is due by the link's own time; one that failed is tried with what comes next. */
function useLinkedWatch({ isWatching, samples, every, byClock, takeLinked }: Linked): void {
  const before = useRef<{ readonly t: number; readonly elapsed: number }>(undefined);
  const isTaking = useRef(false);
  const now = samples.at(-1)?.t;
  useEffect(() => {
    if (!isWatching) before.current = undefined;
    if (!isWatching || now === undefined || isTaking.current) return;
    // A link that began anew tells a time of its own.
    if (before.current && before.current.t > now) before.current = undefined;
    const since = before.current;
    if (since && now - since.t < every) return;
    const elapsed = since ? since.elapsed + now - since.t : byClock();
    const between = since ? keptOf(samples, since, now) : [];
    isTaking.current = true;
    void takeLinked({ elapsed_s: elapsed, between }).then((isTaken) => {
      isTaking.current = false;
      if (isTaken) before.current = { t: now, elapsed };
    });
  }, [isWatching, now, every, samples, byClock, takeLinked]);
}

/** What was said after one time and before another, a value a second, by the watch's own time. */
function keptOf(
  samples: readonly Sample[],
  since: { readonly t: number; readonly elapsed: number },
  until: number,
): Watched[] {
  const kept: Watched[] = [];
  let last = since.t;
  for (const { t, value } of samples) {
    if (t < last + EVERY || t > until - EVERY / 2) continue;
    kept.push({ t_s: since.elapsed + t - since.t, si: value });
    last = t;
  }
  return kept;
}

import { atTapping, measureOf, type GaugeRole, type LineFormat, type Run } from '@holvek/core';
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { CLOSED, LineGauge, type LineState } from './line-gauge';
import type { OpenSource } from './open-source';
import type { Trace } from './trace';
import { useBarometer } from '@/units/use-barometer';

/** Gauges of a run that speak over a line. */
export type Lines = {
  readonly of: (role: GaugeRole) => LineGauge | undefined;
  /** Opens one; false where the person chose none. @throws where it cannot be opened */
  readonly open: (role: GaugeRole, format: LineFormat, source: OpenSource) => Promise<boolean>;
  readonly close: (role: GaugeRole) => Promise<void>;
  /** The valve is being touched: when, by the clock of the lines, s; undefined where none is open. */
  readonly touched: () => number | undefined;
};

/** Opens and closes lines, and lets what they say into the trace, at the height of their tapping. */
export function useLines(run: Run, trace: Trace): Lines {
  const [lines, setLines] = useState<ReadonlyMap<GaugeRole, LineGauge>>(new Map());
  const opened = useRef(
    new Map<GaugeRole, { readonly line: LineGauge; readonly end: () => Promise<void> }>(),
  );
  const barometer = useBarometer();
  useEffect(() => {
    const { current } = opened;
    return () => {
      for (const { end } of current.values()) void end();
      current.clear();
    };
  }, []);
  const close = async (role: GaugeRole): Promise<void> => {
    const line = opened.current.get(role);
    opened.current.delete(role);
    setLines((now) => new Map([...now].filter(([each]) => each !== role)));
    await line?.end();
  };
  const open: Lines['open'] = async (role, format, source) => {
    const gauge = run.gauges[role];
    if (!gauge) return false;
    // A port that is open here cannot be opened once more.
    await close(role);
    const line = new LineGauge({ role, gauge, format, barometer });
    if (!(await line.open(source))) return false;
    const { plate } = run.started;
    const stop = trace.listen(
      line,
      barometer,
      (_, shown) => atTapping(plate, gauge, shown),
      measureOf(plate),
    );
    const end = async () => {
      stop();
      await line.close();
    };
    opened.current.set(role, { line, end });
    setLines((now) => new Map(now).set(role, line));
    return true;
  };
  const touched = useCallback(() => {
    const gauges = [...opened.current.values()].map(({ line }) => line);
    for (const line of gauges) line.touched();
    return gauges[0]?.now();
  }, []);
  return { of: (role) => lines.get(role), open, close, touched };
}

const silent = () => () => undefined;

/** How a line stands now; as a closed one where there is none. */
export const useLineState = (line: LineGauge | undefined): LineState =>
  useSyncExternalStore(line?.watch ?? silent, line?.snapshot ?? (() => CLOSED), () => CLOSED);

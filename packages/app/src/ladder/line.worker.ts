import {
  advanceLine,
  lineGauges,
  lineReliefs,
  moveLine,
  turnLine,
  type LineGauge,
  type LineTwin,
} from '@holvek/core/line';
import { expose } from 'comlink';

export type LineReport = {
  readonly gauges: readonly LineGauge[];
  readonly reliefs: Readonly<Record<string, number>>;
};

const TICK_MS = 400;

/** The valves of one system on one line, living in real time away from the screen. */
function lineWorker() {
  let twin: LineTwin | undefined;
  let timer: ReturnType<typeof setInterval> | undefined;
  let last = 0;
  let speed = 4;
  let report: (report: LineReport) => void = () => undefined;
  const tick = () => {
    if (!twin) return;
    const now = performance.now();
    twin = advanceLine(twin, Math.min(120, ((now - last) / 1000) * speed));
    last = now;
    report({ gauges: lineGauges(twin), reliefs: lineReliefs(twin) });
  };
  return {
    start(initial: LineTwin, onReport: (report: LineReport) => void) {
      twin = initial;
      report = onReport;
      last = performance.now();
      clearInterval(timer);
      timer = setInterval(tick, TICK_MS);
      tick();
    },
    turn(rung: string, turns: number) {
      if (twin) twin = turnLine(twin, rung, turns);
    },
    move(does: Readonly<Record<string, number | string>>) {
      if (twin) twin = moveLine(twin, does);
    },
    hurry(factor: number) {
      speed = Math.min(60, Math.max(1, factor));
    },
  };
}
export type LineWorker = ReturnType<typeof lineWorker>;

expose(lineWorker());

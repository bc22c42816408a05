import {
  actOnTwin,
  advanceTwin,
  isWideOpen,
  readScale,
  readTwin,
  turnTwin,
  twinOutputs,
  type Twin,
} from '@holvek/core/twin';
import { expose } from 'comlink';

type Line = { role: 'inlet' | 'outlet' | 'travel'; line: string; t: number };
type Sight = {
  wideOpen: boolean;
  ventRuns: boolean;
  flow: number;
  fill: number;
  opening: number;
  signal: number;
};
export type TwinReport = { lines: Line[]; sight: Sight };

const TICK_MS = 500;

/** The twin at work: it lives in real time (or faster) and speaks as a gauge does, line by line. */
function twinWorker() {
  let twin: Twin | undefined;
  let timer: ReturnType<typeof setInterval> | undefined;
  let speed = 1;
  let last = 0;
  let report: (report: TwinReport) => void = () => undefined;

  const lines = (now: Twin): Line[] => {
    const travel = readScale(now);
    const seen: Line[] = (['outlet', 'inlet'] as const).flatMap((role) => {
      const pa = readTwin(now, role);
      return pa === undefined ? [] : [{ role, line: `${(pa / 1000).toFixed(3)} kPa`, t: now.t }];
    });
    return travel === undefined
      ? seen
      : [...seen, { role: 'travel', line: `${(travel * 100).toFixed(1)} %`, t: now.t }];
  };
  const tick = () => {
    if (!twin) return;
    const now = performance.now();
    // A tab that slept is not lived through at once: two minutes at the most.
    const seconds = Math.min(120, ((now - last) / 1000) * speed);
    last = now;
    // A fast twin still reports twice a second of its own time, so that settling can be seen.
    const pieces = Math.max(1, Math.round(seconds / 0.5));
    const sent: Line[] = [];
    for (let i = 0; i < pieces; i++) {
      twin = advanceTwin(twin, seconds / pieces);
      sent.push(...lines(twin));
    }
    const { vent, flow, fill, opening } = twinOutputs(twin);
    report({
      lines: sent,
      sight: {
        wideOpen: isWideOpen(twin),
        ventRuns: vent > 1e-6,
        flow,
        fill,
        opening,
        signal: Number(twin.inputs['signal'] ?? 0),
      },
    });
  };
  return {
    start(initial: Twin, onReport: (report: TwinReport) => void) {
      twin = initial;
      report = onReport;
      last = performance.now();
      clearInterval(timer);
      timer = setInterval(tick, TICK_MS);
    },
    /** Each answers with the twin's time at which it took effect, s: what was sent before is of the state before. */
    replace: (next: Twin): number => (twin = next).t,
    act: (does: Readonly<Record<string, number | string>>): number =>
      twin ? (twin = actOnTwin(twin, does)).t : 0,
    turn: (adjuster: string, turns: number): number =>
      twin ? (twin = turnTwin(twin, adjuster, turns)).t : 0,
    hurry(factor: number) {
      speed = Math.min(60, Math.max(1, factor));
    },
    stop() {
      clearInterval(timer);
    },
  };
}
export type TwinWorker = ReturnType<typeof twinWorker>;

expose(twinWorker());

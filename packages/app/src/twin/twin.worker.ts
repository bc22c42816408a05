import { liveOn, type TwinReport } from '@holvek/core/twin-report';
import { actOnTwin, advanceTwin, turnTwin, type Twin } from '@holvek/core/twin';
import { expose } from 'comlink';

/** ms between two reports. */
const TICK_MS = 250;

/** The twin at work: it lives in real time (or faster) and speaks as a gauge does, line by line. */
function twinWorker() {
  let twin: Twin | undefined;
  let timer: ReturnType<typeof setInterval> | undefined;
  let speed = 1;
  let last = 0;
  let report: (report: TwinReport) => void = () => undefined;

  const tick = () => {
    if (!twin) return;
    const now = performance.now();
    const seconds = ((now - last) / 1000) * speed;
    last = now;
    report(liveOn(seconds, (piece) => (twin = advanceTwin(twin!, piece))));
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

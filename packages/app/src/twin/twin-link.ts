import { replayTwin, type Positions, type RunEvent } from '@holvek/core';
import { proxy } from 'comlink';
import type { GaugeLink } from '@/gauge-link/gauge-link';
import { linkListeners } from '@/gauge-link/listeners';
import { openTwinWorker } from './client';

export type TwinLink = GaugeLink & {
  /** Each tells when it took effect, in the twin's own time, s. */
  readonly act: (does: Positions) => Promise<number>;
  readonly turn: (adjuster: string, turns: number) => Promise<number>;
  /** The twin as these events leave it. */
  readonly replace: (events: readonly RunEvent[]) => Promise<number | undefined>;
  readonly hurry: (factor: number) => void;
  readonly close: () => void;
  /** A line to the registers of an electronic pilot, and its answer; undefined when none comes. */
  readonly ask?: (line: string) => Promise<string | undefined>;
};

/** The simulated gauge on a valve's twin, through the same door as any other gauge; undefined without a twin. */
export function openTwinLink(events: readonly RunEvent[]): TwinLink | undefined {
  const initial = replayTwin(events);
  if (!initial) return undefined;
  const { twin, close } = openTwinWorker();
  const { subscribe, tell } = linkListeners();
  void twin.start(initial, proxy(tell));
  return {
    kind: 'twin',
    subscribe,
    act: (does) => twin.act(does),
    turn: (adjuster, turns) => twin.turn(adjuster, turns),
    replace: async (now) => {
      const next = replayTwin(now);
      return next && twin.replace(next);
    },
    hurry: (factor) => void twin.hurry(factor),
    close,
  };
}

import type { Positions, Twin } from '@holvek/core';
import { proxy } from 'comlink';
import type { GaugeLink, LinkLine, LinkSight } from '@/gauge-link/gauge-link';
import { openTwinWorker } from './client';

export type TwinLink = GaugeLink & {
  /** Each tells when it took effect, in the twin's own time, s. */
  readonly act: (does: Positions) => Promise<number>;
  readonly turn: (adjuster: string, turns: number) => Promise<number>;
  readonly replace: (twin: Twin) => Promise<number>;
  readonly hurry: (factor: number) => void;
  readonly close: () => void;
};

/** The simulated gauge on a valve's twin, through the same door as any other gauge. */
export function openTwinLink(initial: Twin): TwinLink {
  const { twin, close } = openTwinWorker();
  const lineListeners = new Set<(line: LinkLine) => void>();
  const sightListeners = new Set<(sight: LinkSight) => void>();
  void twin.start(
    initial,
    proxy(({ lines, sight }) => {
      for (const line of lines) for (const listener of lineListeners) listener(line);
      for (const listener of sightListeners) listener(sight);
    }),
  );
  return {
    kind: 'twin',
    subscribe: (onLine, onSight) => {
      lineListeners.add(onLine);
      sightListeners.add(onSight);
      return () => {
        lineListeners.delete(onLine);
        sightListeners.delete(onSight);
      };
    },
    act: (does) => twin.act(does),
    turn: (adjuster, turns) => twin.turn(adjuster, turns),
    replace: (next) => twin.replace(next),
    hurry: (factor) => void twin.hurry(factor),
    close,
  };
}

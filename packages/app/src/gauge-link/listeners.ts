import type { GaugeLink, LinkLine, LinkSight } from './gauge-link';

/** Who listens to a link, and what they are told. */
export function linkListeners(): Pick<GaugeLink, 'subscribe'> & {
  readonly tell: (report: {
    readonly lines: readonly LinkLine[];
    readonly sight: LinkSight;
  }) => void;
} {
  const lineListeners = new Set<(line: LinkLine) => void>();
  const sightListeners = new Set<(sight: LinkSight) => void>();
  return {
    tell: ({ lines, sight }) => {
      for (const line of lines) for (const listener of lineListeners) listener(line);
      for (const listener of sightListeners) listener(sight);
    },
    subscribe: (onLine, onSight) => {
      lineListeners.add(onLine);
      sightListeners.add(onSight);
      return () => {
        lineListeners.delete(onLine);
        sightListeners.delete(onSight);
      };
    },
  };
}

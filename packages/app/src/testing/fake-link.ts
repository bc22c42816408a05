import type { GaugeLink, LinkLine, LinkSight } from '@/gauge-link/gauge-link';

const sight: LinkSight = { wideOpen: false, ventRuns: true, flow: 0.002, fill: 1, opening: 0.3 };

/** A gauge at the outlet that says what it is told to. */
export function fakeLink() {
  let onLine: (line: LinkLine) => void = () => undefined;
  let onSight: (sight: LinkSight) => void = () => undefined;
  const link: GaugeLink = {
    kind: 'twin',
    subscribe: (line, seen) => {
      onLine = line;
      onSight = seen;
      return () => undefined;
    },
  };
  return {
    link,
    say: (text: string, t: number) => onLine({ role: 'outlet', line: text, t }),
    see: () => onSight(sight),
  };
}

import { laneSpan, type NextMove, type SettingView } from '@holvek/core';

const TOP = 44;
const BOTTOM = 26;

export type Shown = SettingView['dots'];
/** A move whose end is foretold. */
export type Ahead = Extract<NextMove, { readonly predicted: unknown }>;

/** Where everything stands: pressures across, readings down. */
export function lanePlan({
  aim,
  shown,
  move,
  width,
  height,
}: {
  readonly aim: Pick<SettingView['aim'], 'lower' | 'upper' | 'target' | 'limit' | 'approach'>;
  readonly move: NextMove | undefined;
  readonly shown: Shown;
  readonly width: number;
  readonly height: number;
}) {
  const ahead: Ahead | undefined = move && 'predicted' in move ? move : undefined;
  const foretold = ahead ? [ahead.predicted.low, ahead.predicted.high] : [];
  const readings = shown.map(({ pressure }) => pressure);
  const { lowest, highest, hasLimit } = laneSpan(aim, [...readings, ...foretold]);
  const within = (pa: number) => Math.min(highest, Math.max(lowest, pa));
  const x = (pa: number) => 14 + ((width - 28) * (within(pa) - lowest)) / (highest - lowest);
  const floor = height - BOTTOM;
  const steps = Math.max(1, shown.length - 1 + (move && move.kind !== 'done' ? 1 : 0));
  const step = Math.max(18, Math.min(56, (floor - TOP - 26) / steps));
  return {
    width,
    floor,
    lowest,
    highest,
    hasLimit,
    ahead,
    x,
    y: (i: number) => TOP + 12 + i * step,
    limitAt: hasLimit ? x(aim.limit) : width - 5,
  };
}

export type LanePlan = ReturnType<typeof lanePlan>;

/** A step that leaves level and arrives level, so that the eye follows it down. */
export const walk = (x0: number, y0: number, x1: number, y1: number) => {
  const middle = (x0 + x1) / 2;
  return `M${x0},${y0} C${middle},${y0} ${middle},${y1} ${x1},${y1}`;
};
export const turnAt = (x0: number, x1: number, width: number) =>
  Math.min(width - 60, Math.max(12, (x0 + x1) / 2 + 8));

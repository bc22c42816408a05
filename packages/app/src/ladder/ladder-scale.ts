import type { Ladder, System } from '@holvek/core';

/** px over the highest and under the lowest figure. */
export const PAD = 22;

/** Pressures along the picture: px from its top and back. */
export type LadderScale = {
  readonly low: number;
  readonly high: number;
  readonly y: (pa: number) => number;
  readonly paAt: (y: number) => number;
};
/** px from the left at which the two rails stand. */
export type Rails = { readonly left: number; readonly right: number };

/** All targets and findings with room to either side. */
export function scaleOf({ rungs }: System, { targets }: Ladder, height: number): LadderScale {
  const values = [
    ...targets.map(({ pa }) => pa),
    ...rungs.flatMap(({ found_pa: found }) => found ?? []),
  ];
  const least = Math.min(...values);
  const most = Math.max(...values);
  const room = Math.max((most - least) * 0.08, Math.abs(most) * 0.02, 1000);
  const [low, high] = [least - room, most + room];
  const span = height - 2 * PAD;
  return {
    low,
    high,
    y: (pa) => PAD + (span * (high - pa)) / (high - low),
    paAt: (y) => high - ((y - PAD) * (high - low)) / span,
  };
}

import type { GaugeRole } from '@holvek/core';

/** What speaks line by line: a gauge on either side, or the travel scale of a stand-in. */
export type SeenRole = GaugeRole | 'travel';

/** One line from a gauge, in the line protocol that real and simulated gauges share. */
export type LinkLine = { readonly role: SeenRole; readonly line: string; readonly t: number };

/** What can be seen beside the gauge; only a stand-in can tell it by itself. */
export type LinkSight = {
  readonly wideOpen: boolean;
  readonly ventRuns: boolean;
  readonly flow: number;
  readonly fill: number;
  /** Of the valve, 0 … 1: what an eye at the outlet sees of a relief. */
  readonly opening: number;
  /** Where the signal of a calibrator stands, 0 … 1 of its range; 0 where there is none. */
  readonly signal?: number;
};

/** The one door for readings. A hand-held gauge has no lines: its readings are typed. */
export type GaugeLink = {
  readonly kind: 'typed' | 'twin' | 'line';
  readonly subscribe: (
    onLine: (line: LinkLine) => void,
    onSight: (sight: LinkSight) => void,
  ) => () => void;
};

/** Readings typed from a hand-held gauge: the link is open, and silent. */
export const typedLink: GaugeLink = { kind: 'typed', subscribe: () => () => undefined };

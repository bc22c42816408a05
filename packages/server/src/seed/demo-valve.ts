import { kPa, type Spring, type Valve } from '@holvek/core';

/** A row of a spring chart, kPa and kPa a turn. */
export const spring = (colour: string, from: number, to: number, rate: number): Spring => ({
  colour,
  from_pa: kPa(from),
  to_pa: kPa(to),
  rate_pa_per_turn: kPa(rate),
});

/** How the history of a valve is to be made, and what its twin is like today. */
export type DemoValve = {
  readonly valve: Valve;
  /** Days ago of each visit, oldest first. */
  readonly visits: readonly number[];
  /** Pa that the set point wanders between two visits, one for each gap and the last to today. */
  readonly wander: readonly number[];
  /** Tags of the gauges that are taken to it. */
  readonly gauges?: Readonly<Partial<Record<'inlet' | 'outlet', string>>>;
  readonly school?: string;
  readonly midRun?: boolean;
  /** Nobody has set it yet: it is found as its twin came. */
  readonly asItCame?: boolean;
  /** A check that the last visit found wrong: the valve went out of service. */
  readonly condemnedBy?: string;
};

import type { Positions } from '../plant';
import type { Reading } from './reading';
import type { RunState } from './run-state';
import type { EntryDraft } from './shapes';
import type { GaugeRole } from './step';

/** What can be seen beside the gauges while a step is carried out. */
export type Sight = {
  /** m³/s through the valve. */
  readonly flow: number;
  /** Opening of the valve, 0 … 1. */
  readonly opening: number;
  /** Of a positioner's supply that stands at its output, 0 … 1. */
  readonly fill: number;
  readonly isWideOpen: boolean;
};

/** The unit at the end of an electronic pilot's line. */
export type RegisterLine = {
  /** Answers a line; the unit lives on meanwhile. */
  readonly ask: (line: string) => string;
};

/** A hand that carries out steps: a simulated one here, on a twin; the rules are the same for any. */
export interface Hand {
  readonly run: RunState;
  /** Turns made so far, and after how many it stops half-way. */
  readonly moves: number;
  readonly stopAfterTurns: number;
  readonly author: string;
  add(draft: EntryDraft): void;
  wait(seconds: number): void;
  /** Watches the gauge until it has settled, or for five minutes. */
  settle(role: GaugeRole): void;
  read(role: GaugeRole): Reading;
  /** Cocks, parked adjusters, springs. */
  act(positions: Positions): void;
  turn(adjuster: string, turns: number): void;
  /** A travel or pointer scale, a contact, the signal of a flame. */
  scale(): number;
  look(): Sight;
  /** Opens the line to the electronics; every answer takes a second. */
  line(): RegisterLine;
}

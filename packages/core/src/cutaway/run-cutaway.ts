import {
  STEP,
  type CutawayHands,
  type CutawayKind,
  type CutawayView,
  type Mechanism,
} from './cutaway';
import { directMechanism } from './direct';
import { pilotMechanism } from './pilot';
import { reliefMechanism } from './relief';

const mechanisms: Readonly<Record<CutawayKind, Mechanism>> = {
  direct: directMechanism,
  pilot: pilotMechanism,
  relief: reliefMechanism,
};

/** Longer gaps, as after a hidden page, are not caught up with; s. */
const LONGEST = 0.1;

/** The looks of a kind, in the order in which they are best taken. */
export const looksOf = (kind: CutawayKind): Mechanism['looks'] => mechanisms[kind].looks;

/** Everything at rest, before the supply is on. */
export const cutawayAtRest = (kind: CutawayKind): readonly number[] => mechanisms[kind].rest;

/**
 * The mechanism some time later.
 *
 * @param state    of `cutawayAtRest` or of a step before
 * @param seconds  0 … 0.1; more counts as 0.1
 */
export function stepCutaway(
  kind: CutawayKind,
  state: readonly number[],
  hands: CutawayHands,
  seconds: number,
): readonly number[] {
  const { step } = mechanisms[kind];
  let now = state;
  for (let left = Math.round(Math.min(seconds, LONGEST) / STEP); left > 0; left--)
    now = step(now, hands);
  return now;
}

/** What it shows: pressures, lift, forces and what it is doing. */
export const viewCutaway = (
  kind: CutawayKind,
  state: readonly number[],
  hands: CutawayHands,
): CutawayView => mechanisms[kind].view(state, hands);

/** Nothing that an eye could see has changed: no further frame is needed until a hand moves. */
export const isCutawayStill = (
  kind: CutawayKind,
  before: readonly number[],
  after: readonly number[],
): boolean =>
  mechanisms[kind].stillness.every((least, i) => Math.abs(after[i]! - before[i]!) <= least);

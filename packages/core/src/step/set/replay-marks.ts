import { gaugePa, inTurns } from '../../quantity';
import {
  afterReading,
  afterTurn,
  answerOf,
  startBelief,
  type Answer,
  type Belief,
  type RatePrior,
} from '../../coach';
import type { SettingMark } from '../run-state';
import type { GaugeRole } from '../step';

/** A settled reading and the turns since the one before it: a dot on the lane strip. */
export type SettingDot = {
  readonly pressure: number;
  readonly turns: number;
  readonly inControl: boolean;
  readonly atMs: number;
};
export type Foretold = { readonly mean: number; readonly low: number; readonly high: number };

/** How an adjuster was parked before it is set; `as_it_was` where it was not touched. */
export type Parked = 'free' | 'near_free' | 'full' | 'as_it_was';

/** All that a replay depends on beside the marks themselves. */
export type ReplayOptions = {
  readonly prior: RatePrior;
  /** Standard deviation of a settled reading, Pa. */
  readonly sd: number;
  /** −1 where the readings are a vacuum's: inside it is reckoned by its size. */
  readonly sign: 1 | -1;
  readonly takenUp: 'clockwise' | 'anticlockwise' | 'unknown';
  readonly parked: Parked;
  readonly travel: number;
  readonly role: GaugeRole;
  readonly directionKnown: boolean;
};

export type Replay = {
  readonly belief: Belief | undefined;
  readonly dots: readonly SettingDot[];
  readonly pendingTurns: number;
  readonly foretold: Foretold | undefined;
  readonly answer: Answer | undefined;
  readonly isInControl: boolean;
};

type Replaying = Omit<Replay, 'foretold'> & {
  /** Parked fully in, the first reading is what rules the gauge until the setting has come down to it. */
  readonly ceiling: number;
  /** A spring that hangs slack reads nothing, or upstream what passes the open valve. */
  readonly floor: number;
  /** Reading before the last turn and what that turn was foretold to give. */
  readonly trial: { readonly before: number; readonly foretold: Foretold } | undefined;
};

/** A spring that hangs slack reads nothing, Pa gauge. */
const SLACK = 0;
const beginning: Replaying = {
  belief: undefined,
  dots: [],
  pendingTurns: 0,
  answer: undefined,
  isInControl: true,
  ceiling: Number.POSITIVE_INFINITY,
  floor: SLACK,
  trial: undefined,
};

/** What stood after a mark, and what it came from: valid only behind the very same marks. */
type Known = {
  readonly state: Replaying;
  readonly before: Known | undefined;
  readonly key: string;
};
const known = new WeakMap<SettingMark, Known>();

/** Turns and settled readings of one adjuster in their order, replayed; a mark more costs one step more. */
export function replayMarks(marks: readonly SettingMark[], options: ReplayOptions): Replay {
  const key = JSON.stringify(options);
  let last: Known | undefined;
  for (const mark of marks) {
    const seen = known.get(mark);
    const isValid = seen !== undefined && seen.before === last && seen.key === key;
    const next: Known = isValid
      ? seen
      : { state: afterMark(last?.state ?? beginning, mark, options), before: last, key };
    if (!isValid) known.set(mark, next);
    last = next;
  }
  const { belief, dots, pendingTurns, answer, isInControl, trial } = last?.state ?? beginning;
  const foretold = pendingTurns === 0 ? undefined : trial?.foretold;
  return { belief, dots, pendingTurns, foretold, answer, isInControl };
}

function afterMark(state: Replaying, mark: SettingMark, options: ReplayOptions): Replaying {
  if (mark.kind === 'turned') return afterTurned(state, mark.turns);
  const pressure = options.sign * mark.pressure;
  const { dots, pendingTurns } = state;
  const before = dots.at(-1);
  const seen = { pressure, inControl: mark.inControl, atMs: mark.atMs };
  return {
    ...state,
    // Nothing is learned and nothing is advised until the valve is in control again.
    ...(mark.inControl ? learnedFrom(state, pressure, options) : {}),
    isInControl: mark.inControl,
    dots:
      pendingTurns === 0 && before
        ? [...dots.slice(0, -1), { ...seen, turns: before.turns }]
        : [...dots, { ...seen, turns: pendingTurns }],
    pendingTurns: 0,
  };
}

function afterTurned(state: Replaying, turns: number): Replaying {
  const belief = state.belief && afterTurn(state.belief, inTurns(turns));
  const before = state.dots.at(-1);
  const trial =
    belief && before
      ? { before: before.pressure, foretold: foretell(belief, state.floor, state.ceiling) }
      : state.trial;
  return { ...state, belief, trial, pendingTurns: state.pendingTurns + turns };
}

function learnedFrom(
  state: Replaying,
  pressure: number,
  options: ReplayOptions,
): Partial<Replaying> {
  const { belief, trial, floor, ceiling } = state;
  const { sd, prior, directionKnown } = options;
  if (!belief) return begun(pressure, options);
  const answer = trial
    ? answerOf(gaugePa(trial.before), gaugePa(pressure), trial.foretold, sd)
    : state.answer;
  // A deaf valve teaches nothing about its screw: its reading is shown but not learned from.
  const isBeyond = pressure >= ceiling - 2 * sd || (floor > SLACK && pressure <= floor + 2 * sd);
  // One that still reads nothing may work the other way: going back is safe, and shows it.
  const isSilent = prior.model !== undefined && pressure <= floor + 2 * sd;
  const isTold = answer !== 'no_change' || directionKnown || isBeyond || isSilent;
  return {
    answer,
    belief: isTold ? afterReading(belief, gaugePa(pressure), { sd, floor, ceiling }) : belief,
  };
}

/** The first reading, by how the adjuster was parked. */
function begun(
  pressure: number,
  { prior, parked, sd, role, takenUp, travel }: ReplayOptions,
): Partial<Replaying> {
  const isHigh = parked === 'full';
  const isFreeUpstream = parked === 'free' && role === 'inlet' && pressure > 4 * sd;
  const belief = startBelief(prior, {
    reading: gaugePa(pressure),
    readingSd: sd,
    takenUp,
    ...(isHigh ? { parkedAt: inTurns(travel) } : isFreeUpstream ? { parkedAt: inTurns(0) } : {}),
  });
  return {
    belief,
    ...(isHigh ? { ceiling: pressure } : {}),
    ...(isFreeUpstream ? { floor: pressure } : {}),
  };
}

/** Mean and 90 % interval of what the gauge should read after the turn just made. */
function foretell({ hypotheses }: Belief, floor: number, ceiling: number): Foretold {
  const mean = hypotheses.reduce((sum, h) => sum + h.weight * h.setPoint, 0);
  const variance = hypotheses.reduce(
    (sum, h) => sum + h.weight * (h.varSetPoint + (h.setPoint - mean) ** 2),
    0,
  );
  const reach = 1.645 * Math.sqrt(variance);
  const seen = (pa: number) =>
    Math.min(ceiling, Math.max(floor > SLACK ? floor : Number.NEGATIVE_INFINITY, pa));
  return { mean: seen(mean), low: seen(mean - reach), high: seen(mean + reach) };
}

import { normalCdf, normalQuantile } from '../numerics';
import { gaugePa, inTurns, type GaugePressure, type Turns } from '../quantity';
import { predictTurn, type Belief } from './belief';
import type { Hypothesis } from './hypothesis';

export type MoveAim = {
  readonly target: GaugePressure;
  readonly lower: GaugePressure;
  readonly upper: GaugePressure;
  /** Never to be passed. */
  readonly limit: GaugePressure;
  /** Side from which the last move must come. */
  readonly approach: 'from_below' | 'from_above';
  /** Expanded uncertainty of a reading, Pa: the lane is narrowed by it before "done" is said. */
  readonly guard: number;
  /** How sure it must be that it stands in the lane before it is done; 0.99 where nothing is said. */
  readonly doneSure?: number | undefined;
  readonly chancePastLimit: number;
  readonly chancePastLane: number;
  readonly largestTurn: Turns;
  /** Turns left to either end of the adjuster's travel, when known. */
  readonly room?: { readonly clockwise: Turns; readonly anticlockwise: Turns } | undefined;
};

export type Predicted = {
  readonly mean: GaugePressure;
  readonly low: GaugePressure;
  readonly high: GaugePressure;
};

export type NextMove =
  | { readonly kind: 'done'; readonly reading: GaugePressure }
  | {
      /** probe: direction not known yet. back_off: gone past, come back below and approach again. */
      readonly kind: 'turn' | 'probe' | 'back_off';
      readonly turns: Turns;
      readonly predicted: Predicted;
      readonly chancePastLane: number;
    }
  /** The last reading does not fit what was believed: it may have been read wrong. */
  | { readonly kind: 'read_again' }
  | { readonly kind: 'stuck'; readonly why: 'end_of_travel' | 'no_safe_move' | 'too_coarse' };

/** How sure the coach must be that the true set point lies in the lane before it says done. */
const SURE = 0.99;
/** From this chance on that it was read wrong, a reading is taken again, up to so many in all. */
const DOUBTFUL = 0.25;
const MOST_READINGS = 3;
/** What a chance of going past, and the share of the way left, weigh against a chance of arriving. */
const PAST_COST = 3;
const FAR_COST = 1;
/** What the doubt of a move's direction may add to a chance of standing past the limit already. */
const AWAY = 0.03;
/** Least chance to arrive that is worth going back for. */
const FAIR = 0.2;
const SIXTEENTH = 1 / 16;
/** Least turn a hand can mean: only where even a sixteenth is likelier to pass the lane than allowed. */
const HAIR = 1 / 32;
/** Below this many turns a sixteenth can be told from an eighth by hand and eye. */
const FINE_BELOW = 0.75;

/**
 * How far to turn now.
 *
 * Of the turns in eighths (sixteenths when little is left), the one that leaves the setting
 * likeliest in the lane, among those with P(past limit) and P(past the far side) within bounds;
 * while no turn is likely to reach the lane, the one that brings the expectation nearest it.
 *
 * @param belief   after the last settled reading
 * @param reading  that reading, Pa gauge
 * @param aim      lane, limit and the chances allowed
 * @returns a turn (cw positive) with the interval its reading is expected in (90 %), or the end
 */
export function nextMove(belief: Belief, reading: GaugePressure, aim: MoveAim): NextMove {
  const guard = Math.min(aim.guard, (aim.upper - aim.lower) * 0.3);
  const seen = asRead(belief, reading, { ...aim, guard });
  if (seen) return seen;
  const up = aim.approach === 'from_below';
  const past = up ? reading > aim.upper - guard : reading < aim.lower + guard;
  const chanceRaises = chance(belief.hypotheses, (h) => (h.rate > 0 ? 1 : 0));
  const wantsRise = past ? !up : up;
  const clockwise = chanceRaises >= 0.5 === wantsRise;
  if (chanceRaises > 0.1 && chanceRaises < 0.9) return probe(belief, clockwise ? 1 : -1, aim);
  return past
    ? backOff(belief, clockwise ? 1 : -1, aim)
    : approachMove(belief, clockwise ? 1 : -1, aim, guard);
}

/** What the reading alone tells: to take it again, or that the setting stands where it should. */
function asRead(belief: Belief, reading: GaugePressure, aim: MoveAim): NextMove | undefined {
  const mayReadAgain = belief.readings < MOST_READINGS;
  if (belief.doubt > DOUBTFUL && mayReadAgain) return { kind: 'read_again' };
  if (reading < aim.lower + aim.guard || reading > aim.upper - aim.guard) return undefined;
  const inLane = chance(belief.hypotheses, (h) => between(h, aim.lower, aim.upper));
  const sure = aim.doneSure ?? SURE;
  if (inLane >= sure) return { kind: 'done', reading };
  // Only the doubt whether it was read right holds it back: looking again is cheaper than turning.
  return inLane + belief.doubt >= sure && mayReadAgain ? { kind: 'read_again' } : undefined;
}

function approachMove(belief: Belief, sign: 1 | -1, aim: MoveAim, guard: number): NextMove {
  const up = aim.approach === 'from_below';
  const limitChance = chanceAllowed(belief, aim);
  let best: { turns: Turns; score: number; past: number } | undefined;
  for (const size of sizes(aim.largestTurn)) {
    const turns = sign * size;
    if (beyondTravel(inTurns(turns), aim)) break;
    const after = carry(belief, inTurns(turns));
    const pastLimit = chance(after, (h) => tail(h, aim.limit));
    const pastLane = chance(after, (h) => (up ? tail(h, aim.upper) : 1 - tail(h, aim.lower)));
    if (pastLimit > limitChance || pastLane > aim.chancePastLane) break;
    const inLane = chance(after, (h) => between(h, aim.lower + guard, aim.upper - guard));
    const distance = Math.abs(expected(after) - aim.target);
    const score =
      inLane -
      PAST_COST * pastLane -
      FAR_COST *
        (distance / Math.max(Math.abs(aim.target - belief0(belief)), aim.upper - aim.lower));
    if (!best || score > best.score) best = { turns: inTurns(turns), score, past: pastLane };
  }
  if (!best) {
    if (beyondTravel(inTurns(sign * SIXTEENTH), aim))
      return { kind: 'stuck', why: 'end_of_travel' };
    const turns = sign * HAIR;
    const after = carry(belief, inTurns(turns));
    if (chance(after, (h) => tail(h, aim.limit)) > limitChance) return comeAgain(belief, sign, aim);
    const past = chance(after, (h) => (up ? tail(h, aim.upper) : 1 - tail(h, aim.lower)));
    return {
      kind: 'turn',
      turns: inTurns(turns),
      predicted: interval(after),
      chancePastLane: past,
    };
  }
  const predicted = interval(carry(belief, best.turns));
  return { kind: 'turn', turns: best.turns, predicted, chancePastLane: best.past };
}

/**
 * Too near for even the smallest turn, and not there: back, and in again as near as is safe, while a hand
 * that knows its screw has a fair chance to end in the lane. Where it has none, the screw is too coarse.
 */
function comeAgain(belief: Belief, sign: 1 | -1, aim: MoveAim): NextMove {
  if (belief.noise.wildShare === 0) return { kind: 'stuck', why: 'no_safe_move' };
  const arrives = chance(belief.hypotheses, (h) => chanceToArrive(h.hand * Math.abs(h.rate), aim));
  return arrives < FAIR
    ? { kind: 'stuck', why: 'too_coarse' }
    : backOff(belief, sign === 1 ? -1 : 1, aim);
}

/** P(in the lane) of one turn aimed as near the target as the limit allows; `astray` is its spread, Pa. */
function chanceToArrive(astray: number, { target, lower, upper, limit, chancePastLimit }: MoveAim) {
  const goal = Math.min(target, limit - normalQuantile(1 - chancePastLimit) * astray);
  return normalCdf((upper - goal) / astray) - normalCdf((lower - goal) / astray);
}

/** A limit that is passed already, while the setting is parked above it, binds no move away from it. */
function chanceAllowed(
  { hypotheses }: Belief,
  { approach, limit, chancePastLimit }: MoveAim,
): number {
  const standing = chance(hypotheses, (h) => tail(h, limit));
  return approach === 'from_above' && standing > chancePastLimit
    ? standing + AWAY
    : chancePastLimit;
}

/** Back to the near side, far enough that the play is taken up again on the way in. */
function backOff(belief: Belief, sign: 1 | -1, aim: MoveAim): NextMove {
  const up = aim.approach === 'from_below';
  const goal = up
    ? aim.lower - (aim.upper - aim.lower) / 4
    : aim.upper + (aim.upper - aim.lower) / 4;
  let chosen = sign * SIXTEENTH;
  for (const size of sizes(aim.largestTurn)) {
    const turns = sign * size;
    if (beyondTravel(inTurns(turns), aim)) break;
    chosen = turns;
    const mean = expected(carry(belief, inTurns(turns)));
    if (up ? mean <= goal : mean >= goal) break;
  }
  const predicted = interval(carry(belief, inTurns(chosen)));
  return { kind: 'back_off', turns: inTurns(chosen), predicted, chancePastLane: 0 };
}

/** A small turn to learn the direction; smaller when even that could pass the limit. */
function probe(belief: Belief, sign: 1 | -1, aim: MoveAim): NextMove {
  const limitChance = chanceAllowed(belief, aim);
  const size = [0.5, 0.375, 0.25, 0.125, SIXTEENTH].find((turns) => {
    if (beyondTravel(inTurns(sign * turns), aim)) return false;
    const after = carry(belief, inTurns(sign * turns));
    return chance(after, (h) => tail(h, aim.limit)) <= limitChance;
  });
  if (size === undefined) return { kind: 'stuck', why: 'no_safe_move' };
  const after = carry(belief, inTurns(sign * size));
  return {
    kind: 'probe',
    turns: inTurns(sign * size),
    predicted: interval(after),
    chancePastLane: 0,
  };
}

function* sizes(largest: Turns): Generator<Turns> {
  for (
    let size = SIXTEENTH;
    size <= largest + 1e-9;
    size += size < FINE_BELOW ? SIXTEENTH : SIXTEENTH * 2
  )
    yield inTurns(size);
}

const beyondTravel = (turns: Turns, { room }: MoveAim): boolean =>
  room !== undefined && (turns > 0 ? turns > room.clockwise : -turns > room.anticlockwise);

const carry = (belief: Belief, turns: Turns): Hypothesis[] =>
  belief.hypotheses.map((hypothesis) => predictTurn(hypothesis, belief, turns));

/** P(set point above a level) in one hypothesis. */
const tail = (h: Hypothesis, level: number): number =>
  1 - normalCdf((level - h.setPoint) / Math.sqrt(h.varSetPoint + 1e-9));

const between = (h: Hypothesis, low: number, high: number): number => tail(h, low) - tail(h, high);

const chance = (hypotheses: readonly Hypothesis[], of: (h: Hypothesis) => number): number => {
  let total = 0;
  for (const h of hypotheses) total += h.weight * of(h);
  return total;
};
const expected = (hypotheses: readonly Hypothesis[]): number =>
  chance(hypotheses, (h) => h.setPoint);
const belief0 = ({ hypotheses }: Belief): number => expected(hypotheses);

/** Mean and the central 90 % of the mixture, by bisection on its distribution. */
function interval(hypotheses: readonly Hypothesis[]): Predicted {
  const mean = expected(hypotheses);
  const reach =
    6 *
    Math.max(1, ...hypotheses.map((h) => Math.sqrt(h.varSetPoint) + Math.abs(h.setPoint - mean)));
  const quantile = (share: number) => {
    let low = mean - reach;
    let high = mean + reach;
    for (let i = 0; i < 26; i++) {
      const middle = (low + high) / 2;
      if (1 - chance(hypotheses, (h) => tail(h, middle)) < share) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  return { mean: gaugePa(mean), low: gaugePa(quantile(0.05)), high: gaugePa(quantile(0.95)) };
}

import { normalDensity } from '../numerics';
import {
  gaugePa,
  inTurns,
  paPerTurn,
  type GaugePressure,
  type Rate,
  type Turns,
} from '../quantity';
import { atLeast, correct } from './correct';
import type { Hypothesis } from './hypothesis';
import { coachModels, type Noise, type RatePrior } from './models';

/**
 * What we believe of an adjuster: a mixture over backlash, slack and direction; in each, a
 * two-state Kalman filter over the true set point and the rate.
 *
 *     turn u:    carried' = play(screw + u, backlash)    setPoint' = setPoint + rate · Δcarried
 *     reading r: r = setPoint + gauge noise
 */
export type Belief = {
  readonly screw: Turns;
  readonly hypotheses: readonly Hypothesis[];
  /** Direction of the last turn, 0 before the first. */
  readonly lastDirection: -1 | 0 | 1;
  readonly lastTurn: Turns;
  readonly turnsSeen: number;
  readonly noise: Noise;
  /** Chance that the last reading was read wrong, 0 … 1. */
  readonly doubt: number;
  /** How often the gauge was read since the last turn. */
  readonly readings: number;
};

const SMALLEST_WEIGHT = 1e-9;
/** With many rates and hands held possible, those that matter less than this to any bound are let go. */
const SMALLEST_OF_MANY = 1e-5;
/** Hypotheses beyond these many carry nothing that a move could depend on. */
const MOST_HYPOTHESES = 160;

/**
 * Belief before the first turn.
 *
 * @param start.reading     settled reading, Pa gauge
 * @param start.readingSd   its standard deviation, Pa
 * @param start.takenUp     side on which the play is taken up; 'anticlockwise' after parking low
 */
export function startBelief(
  prior: RatePrior,
  start: {
    readonly reading: GaugePressure;
    readonly readingSd: number;
    readonly takenUp: 'clockwise' | 'anticlockwise' | 'unknown';
    /**
     * Turns of its travel at which it was parked, when the gauge cannot show it: the set point is then
     * that many turns of the rate, and a screw that works the other way would have shown itself.
     */
    readonly parkedAt?: Turns;
  },
): Belief {
  const trust = prior.direction === 'unknown' ? 0.5 : prior.directionTrust;
  const raises = prior.direction === 'lowers' ? 1 - trust : trust;
  const shares =
    start.takenUp === 'clockwise' ? [0] : start.takenUp === 'anticlockwise' ? [1] : [0, 0.5, 1];
  const model = coachModels[prior.model ?? 1];
  const rates = model.ratesOf(prior);
  const { hands, backlashes } = model;
  const { parkedAt } = start;
  const signs =
    parkedAt === undefined || prior.direction === 'unknown' ? [1, -1] : [raises >= 0.5 ? 1 : -1];
  const varReading = start.readingSd ** 2;
  const hypotheses = signs.flatMap((sign) =>
    backlashes.flatMap((backlash) =>
      shares.flatMap((share) =>
        pairsOf(rates, hands).map(([{ rate, sd, weight }, hand]) => ({
          backlash,
          carried: inTurns(-backlash * (1 - share)),
          weight:
            ((signs.length === 1 ? 1 : sign > 0 ? raises : 1 - raises) * weight * hand.weight) /
            backlashes.length /
            shares.length,
          rate: paPerTurn(sign * rate),
          varRate: sd ** 2,
          hand: hand.sd,
          ...(parkedAt === undefined
            ? { setPoint: start.reading, varSetPoint: varReading, covariance: 0 }
            : {
                setPoint: gaugePa(parkedAt * rate),
                varSetPoint: varReading + parkedAt ** 2 * sd ** 2,
                covariance: sign * parkedAt * sd ** 2,
              }),
        })),
      ),
    ),
  );
  return {
    screw: inTurns(0),
    hypotheses: hypotheses.filter(({ weight }) => weight > 0),
    lastDirection: 0,
    lastTurn: inTurns(0),
    turnsSeen: 0,
    noise: model.noise,
    doubt: 0,
    readings: 1,
  };
}

const pairsOf = <A, B>(left: readonly A[], right: readonly B[]): readonly (readonly [A, B])[] =>
  left.flatMap((a) => right.map((b) => [a, b] as const));

/** Play of width `backlash`: the carried part trails the screw by 0 … backlash. */
export const carriedAfter = (screw: Turns, carried: Turns, backlash: Turns): Turns =>
  inTurns(Math.min(screw, Math.max(screw - backlash, carried)));

/**
 * One hypothesis carried through a turn, before any reading. It is asked for each turn that might be made, in each
 * hypothesis: written out field by field it costs a third of what a spread copy does.
 */
export function predictTurn(
  hypothesis: Hypothesis,
  { screw, noise }: Pick<Belief, 'screw' | 'noise'>,
  turns: Turns,
): Hypothesis {
  const { backlash, weight, rate, varRate, covariance, varSetPoint, setPoint, hand } = hypothesis;
  const carried = carriedAfter(inTurns(screw + turns), hypothesis.carried, backlash);
  const moved = carried - hypothesis.carried;
  const engaged = moved === 0 ? 0 : hand;
  const wander = (noise.wander * rate) ** 2 * Math.abs(moved);
  const slip = moved === 0 ? 0 : noise.slip * (setPoint + rate * moved);
  return {
    backlash,
    carried,
    weight,
    setPoint: gaugePa(setPoint + rate * moved),
    rate,
    varSetPoint:
      varSetPoint +
      2 * moved * covariance +
      moved ** 2 * (varRate + wander / 3) +
      (rate * engaged) ** 2 +
      slip ** 2,
    covariance: covariance + moved * (varRate + wander / 2),
    varRate: varRate + wander,
    hand,
  };
}

/** Belief after a turn, before the gauge is read. */
export function afterTurn(belief: Belief, turns: Turns): Belief {
  return {
    ...belief,
    screw: inTurns(belief.screw + turns),
    hypotheses: belief.hypotheses.map((hypothesis) => predictTurn(hypothesis, belief, turns)),
    lastDirection: turns > 0 ? 1 : turns < 0 ? -1 : belief.lastDirection,
    lastTurn: turns,
    turnsSeen: belief.turnsSeen + 1,
    doubt: 0,
    readings: 0,
  };
}

/** What a reading of the gauge is worth. */
export type ReadingWorth = {
  /** Pa, standard deviation of the reading. */
  readonly sd: number;
  /**
   * Pa below which the gauge cannot show a set point (a slack spring): a reading there only says
   * that the set point is at or under it.
   */
  readonly floor?: number | undefined;
  /**
   * Pa above which it cannot show one (something else rules the gauge): a reading there only says
   * that the set point is at or over it.
   */
  readonly ceiling?: number | undefined;
};

/** Belief after a settled reading: each filter corrected, each hypothesis weighed by how well it foretold. */
export function afterReading(
  belief: Belief,
  reading: GaugePressure,
  {
    sd: readingSd,
    floor = Number.NEGATIVE_INFINITY,
    ceiling = Number.POSITIVE_INFINITY,
  }: ReadingWorth,
): Belief {
  const variance = readingSd ** 2;
  const isSlack = reading <= floor + 2 * readingSd;
  const isCapped = reading >= ceiling - 2 * readingSd;
  const { wildShare, wildSd } = belief.noise;
  const asRead = belief.hypotheses.map((h) =>
    isCapped
      ? atLeast(h, gaugePa(ceiling - readingSd))
      : isSlack && h.setPoint <= floor
        ? h
        : correct(h, reading, variance),
  );
  // A reading that was read wrong leaves what was believed as it was.
  const misread =
    wildShare === 0 || isCapped || isSlack
      ? []
      : belief.hypotheses.map((h) => ({
          ...h,
          weight:
            h.weight *
            wildShare *
            normalDensity(reading, h.setPoint, h.varSetPoint + variance + (wildSd * reading) ** 2),
        }));
  const corrected = [
    ...(misread.length === 0
      ? asRead
      : asRead.map((h) => ({ ...h, weight: h.weight * (1 - wildShare) }))),
    ...misread,
  ];
  const total = sum(corrected, ({ weight }) => weight);
  const hypotheses = corrected
    .map((h) => ({ ...h, weight: h.weight / total }))
    .filter(({ weight }) => weight > (wildShare === 0 ? SMALLEST_WEIGHT : SMALLEST_OF_MANY));
  return {
    ...belief,
    hypotheses: heaviest(hypotheses),
    doubt: sum(misread, ({ weight }) => weight) / total,
    readings: belief.readings + 1,
  };
}

/** The hypotheses that matter, their weights together 1. */
function heaviest(hypotheses: readonly Hypothesis[]): readonly Hypothesis[] {
  if (hypotheses.length <= MOST_HYPOTHESES) return hypotheses;
  const kept = hypotheses.toSorted((a, b) => b.weight - a.weight).slice(0, MOST_HYPOTHESES);
  const total = sum(kept, ({ weight }) => weight);
  return kept.map((h) => ({ ...h, weight: h.weight / total }));
}

export type LearnedRate = {
  readonly mean: Rate;
  readonly sd: number;
  readonly chanceClockwiseRaises: number;
};

/** Rate as learned so far: mean size with the likelier sign, its spread, and the chance of that sign. */
export function learnedRate({ hypotheses }: Belief): LearnedRate {
  const raises = sum(hypotheses, (h) => (h.rate > 0 ? h.weight : 0));
  const sign = raises >= 0.5 ? 1 : -1;
  const side = hypotheses.filter((h) => Math.sign(h.rate) === sign);
  const weight = sum(side, (h) => h.weight);
  const mean = sum(side, (h) => h.weight * h.rate) / weight;
  const variance = sum(side, (h) => h.weight * (h.varRate + (h.rate - mean) ** 2)) / weight;
  return { mean: paPerTurn(mean), sd: Math.sqrt(variance), chanceClockwiseRaises: raises };
}

/** Expectation and standard deviation of the true set point. */
export function believedSetPoint({ hypotheses }: Belief): {
  readonly mean: GaugePressure;
  readonly sd: number;
} {
  const mean = sum(hypotheses, (h) => h.weight * h.setPoint);
  const variance = sum(hypotheses, (h) => h.weight * (h.varSetPoint + (h.setPoint - mean) ** 2));
  return { mean: gaugePa(mean), sd: Math.sqrt(variance) };
}

const sum = <T>(items: readonly T[], of: (item: T) => number): number => {
  let total = 0;
  for (const item of items) total += of(item);
  return total;
};

import { dyingOutOver, normalCdf, scatterOf, weightBeside, type Sample } from '../numerics';
import { inSeconds, type Seconds } from '../quantity';
import { heightOf, since, spanOf } from './record';

const LEAST_SAMPLES = 8;
/** Divisions that are an answer, and that tell when it began. */
const ANSWERED = 2.5;
const BEGUN = 1.6;
/** Last share of an answer that is looked at: what went fast at its beginning tells nothing of its end. */
const LAST_SHARE = 0.6;
const LAST_LEAST: Seconds = inSeconds(6);
/** Divisions of its way that are always looked at. */
const LAST_WAY = 16;
/** Divisions from which on an answer tells how fast it came. */
const TOLD_BY = 6;
/** Divisions by which it still moves late, and that are then still to come, for a slower part of the answer. */
const STILL_MOVES = 1.5;
const SLOWER_LEFT = 0.3;
/** Divisions that may be left to come: nearer to one than this, the sum itself errs. */
export const LEFT = 0.65;
/** Time constants that a valve with its gauge may have, s. */
export const TIME_CONSTANTS = { shortest: 0.7, longest: 70, count: 14 };
/** Divisions that are expected to be moved where nothing has moved yet. */
const EXPECTED = 3;
/** What was learned of this valve: spread of a time constant's logarithm, and the chance that it has changed. */
const LEARNED_SD = 0.35;
const CHANGED = 0.01;

export type Rest = {
  readonly level: number;
  /** Still to come at the last sample, and the time constant with which it dies out. */
  readonly left: number;
  readonly dies: Seconds;
  /** Chance that more than a division is still to come. */
  readonly chance: number;
  /** Only where the record tells it surely. */
  readonly timeConstant: Seconds | undefined;
};

type Known = { readonly resolution: number; readonly learned: Seconds | undefined };

/** What is seen of an answer: from when on it is looked at, that, and what is still to come. */
export type Answer = {
  /** s; undefined while there is none. */
  readonly began: Seconds | undefined;
  readonly from: Seconds;
  readonly recent: readonly Sample[];
  readonly rest: Rest;
};

/**
 * What an answer to a turn has still to come, by its last part; where that still moves, by whatever slower part of
 * the answer it may be, which the whole of it hides.
 *
 * @param samples  s and Pa, rising in time, since the last turn
 * @returns undefined of too few samples
 */
export function answerOfTurn(samples: readonly Sample[], known: Known): Answer | undefined {
  const { resolution } = known;
  const began = answerBegan(samples, resolution);
  const from = began === undefined ? samples[0]!.t : lastPart(samples, began, resolution);
  const recent = since(samples, inSeconds(from));
  const whole = restOf(recent, known);
  if (!whole) return undefined;
  const slower = began === undefined ? undefined : slowerRest(samples, began, known);
  const rest = slower && slower.chance > whole.chance ? slower : whole;
  return { began, from: inSeconds(from), recent, rest };
}

function slowerRest(samples: readonly Sample[], began: Seconds, known: Known): Rest | undefined {
  const late = since(samples, lateFrom(samples, began));
  if (heightOf(late) <= STILL_MOVES * known.resolution) return undefined;
  const rest = restOf(late, known);
  return rest && Math.abs(rest.left) > SLOWER_LEFT * known.resolution ? rest : undefined;
}

/** When the answer to the turn began, s; undefined while there is none. */
function answerBegan(samples: readonly Sample[], resolution: number): Seconds | undefined {
  const values = samples.map(({ value }) => value);
  if (heightOf(samples) <= ANSWERED * resolution) return undefined;
  const first = (values[0]! + values[1]! + values[2]!) / 3;
  const begun = samples.find(({ value }) => Math.abs(value - first) > BEGUN * resolution);
  return begun && inSeconds(begun.t);
}

/** When the last share of an answer began, s. */
const lateFrom = (samples: readonly Sample[], began: Seconds): Seconds => {
  const end = samples.at(-1)!.t;
  return inSeconds(end - Math.max(LAST_LEAST, (end - began) * LAST_SHARE));
};

/**
 * From when on an answer is looked at, s: its last share, and never less than its way over the last divisions. With
 * only what stands still after it, nothing would tell any more how fast it came.
 */
function lastPart(samples: readonly Sample[], began: Seconds, resolution: number): Seconds {
  const { value: now } = samples.at(-1)!;
  const far = samples.findLast(({ value }) => Math.abs(value - now) > LAST_WAY * resolution);
  return inSeconds(Math.min(lateFrom(samples, began), Math.max(began, far?.t ?? began)));
}

/** What is believed to be still to come; undefined of too few samples. */
function restOf(samples: readonly Sample[], { resolution, learned }: Known): Rest | undefined {
  if (samples.length < LEAST_SAMPLES) return undefined;
  const fits = dyingOutOver(samples, TIME_CONSTANTS, false);
  const scatter = scatterOf(fits, resolution, 3);
  if (!scatter) return undefined;
  const span = spanOf(samples);
  const expected = Math.max(EXPECTED * resolution, heightOf(samples));
  const all = fits.map((fit) => {
    const sd = fit.amplitudePerScatter * scatter.spread;
    // What dies out is drawn towards nothing, by what is expected of it.
    const drawn = expected ** 2 / (sd ** 2 + expected ** 2);
    const spread = sd * Math.sqrt(drawn);
    const dead = Math.exp(-span / fit.timeConstant);
    const left = fit.amplitude * drawn * dead;
    const leftSd = Math.max(spread * dead, 1e-9 * resolution);
    const far = fit.amplitude ** 2 / (sd ** 2 + expected ** 2);
    const known =
      learned === undefined
        ? 1
        : CHANGED + Math.exp(-0.5 * (Math.log(fit.timeConstant / learned) / LEARNED_SD) ** 2);
    return {
      weight: weightBeside(scatter, fit) * Math.exp(-far / 2) * (spread / expected) * known,
      level: fit.level,
      left,
      log: Math.log(fit.timeConstant),
      beyond:
        normalCdf((left - LEFT * resolution) / leftSd) +
        normalCdf((-LEFT * resolution - left) / leftSd),
    };
  });
  const total = all.reduce((sum, { weight }) => sum + weight, 0);
  const mean = (of: (each: (typeof all)[number]) => number) =>
    all.reduce((sum, each) => sum + (each.weight / total) * of(each), 0);
  const log = mean((each) => each.log);
  const spread = Math.sqrt(mean((each) => (each.log - log) ** 2));
  const dies = Math.exp(log);
  const left = mean((each) => each.left);
  const hasMoved = expected > TOLD_BY * resolution;
  return {
    level: mean((each) => each.level),
    left,
    dies: inSeconds(dies),
    chance: mean((each) => each.beyond),
    timeConstant: hasMoved && spread < LEARNED_SD ? inSeconds(dies) : undefined,
  };
}

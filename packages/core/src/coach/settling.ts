import type { Sample } from '../numerics';
import { inSeconds, type Seconds } from '../quantity';
import { creepOf } from './creep';
import { spanOf } from './record';
import { answerOfTurn, LEFT, type Rest } from './still-to-come';
import { isSwingingOut, swingOf } from './swings';

export type Settling =
  | { readonly state: 'too_few' }
  | {
      readonly state: 'settled';
      readonly level: number;
      readonly steadyFor: Seconds;
      readonly timeConstant: Seconds | undefined;
    }
  | {
      readonly state: 'settling';
      readonly level: number;
      readonly wait: Seconds;
      readonly slope: number;
      readonly timeConstant: Seconds | undefined;
    }
  /** hunting: swings without dying out. */
  | { readonly state: 'hunting'; readonly swing: number }
  /** creeping: goes on, straight, when all that dies out has died out; Pa/s. */
  | { readonly state: 'creeping'; readonly rate: number };

const LEAST_SAMPLES = 8;
const LEAST_SPAN: Seconds = inSeconds(4);
const LONGEST_WAIT: Seconds = inSeconds(600);
/** Until it has stood so long without an answer to the turn, a gauge may not have begun to answer. */
const UNMOVED: Seconds = inSeconds(12);
/** How likely it may be that more is left to come. */
const CHANCE = 0.02;

/**
 * Whether a pressure has come to rest, from its readings since the last turn.
 *
 * A level plus what dies out, over the last part of the answer, for each of a grid of time constants, weighed by
 * how well they fit: settled when more than a division is hardly likely to be left to come. What has not answered
 * yet, and what goes on straight, has not settled.
 *
 * @param samples     s and Pa, rising in time, since the last turn
 * @param resolution  readable division, Pa
 * @param learned     time constant that this valve has shown before, s
 */
export function settling(
  samples: readonly Sample[],
  resolution: number,
  learned?: Seconds,
): Settling {
  if (samples.length < LEAST_SAMPLES || spanOf(samples) < LEAST_SPAN) return { state: 'too_few' };
  const swing = swingOf(samples, resolution);
  if (swing !== undefined) return { state: 'hunting', swing };
  const answer = answerOfTurn(samples, { resolution, learned });
  if (!answer) return { state: 'too_few' };
  const creep = creepOf(samples, answer, resolution);
  if (creep !== undefined) return { state: 'creeping', rate: creep };
  const { began, recent, rest } = answer;
  const isUnanswered = began === undefined && spanOf(samples) < UNMOVED;
  // What came fast says nothing of a slow part that this valve has shown before.
  const isTooSoon =
    spanOf(samples) < (learned ?? 0) ||
    (began !== undefined && isSwingingOut(samples, began, resolution));
  if (rest.chance > CHANCE || isUnanswered || isTooSoon) return comingToRest(rest, resolution);
  const { level, timeConstant } = rest;
  const steadyFor = steadyStretch(recent, 2 * resolution);
  return { state: 'settled', level, steadyFor, timeConstant };
}

/** How long it still takes until hardly anything is left to come. */
function comingToRest({ level, left, dies, timeConstant }: Rest, resolution: number): Settling {
  const wait = dies * Math.log(Math.max(Math.abs(left) / (LEFT * resolution), 1.5));
  return {
    state: 'settling',
    level,
    wait: inSeconds(Math.min(LONGEST_WAIT, Math.max(3, wait))),
    slope: -left / dies,
    timeConstant,
  };
}

/** Seconds up to the last sample in which the reading has stayed within a band. */
function steadyStretch(samples: readonly Sample[], band: number): Seconds {
  const last = samples.at(-1)!;
  let low = last.value;
  let high = last.value;
  let since = last.t;
  for (let i = samples.length - 1; i >= 0; i--) {
    const { t, value } = samples[i]!;
    low = Math.min(low, value);
    high = Math.max(high, value);
    if (high - low > band) break;
    since = t;
  }
  return inSeconds(last.t - since);
}

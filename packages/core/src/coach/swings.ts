import type { Sample } from '../numerics';
import { inSeconds, type Seconds } from '../quantity';
import { heightOf } from './record';

/** Divisions that are a swing, and that it comes back by, within s. */
const SWINGS = 6;
const SWINGS_BACK = 3;
const SWINGS_SPAN: Seconds = inSeconds(24);

/** How far it has swung of late, to and fro; undefined where it has not. */
export function swingOf(samples: readonly Sample[], resolution: number): number | undefined {
  const end = samples.at(-1)!.t;
  const late = samples.filter(({ t }) => t >= end - SWINGS_SPAN);
  const swing = heightOf(late);
  return swing > SWINGS * resolution && turnsBack(late, SWINGS_BACK * resolution).length >= 2
    ? swing
    : undefined;
}

/** When the reading turned back by more than a band, s; the moments of its extremes. */
function turnsBack(samples: readonly Sample[], band: number): readonly Seconds[] {
  const turns: Seconds[] = [];
  let extreme = samples[0]!;
  let heading = 0;
  for (const sample of samples) {
    const { value } = sample;
    if (heading >= 0 && value > extreme.value) extreme = sample;
    else if (heading <= 0 && value < extreme.value) extreme = sample;
    else if (Math.abs(value - extreme.value) > band) {
      if (heading !== 0) turns.push(inSeconds(extreme.t));
      heading = value > extreme.value ? 1 : -1;
      extreme = sample;
    }
    if (heading === 0 && Math.abs(value - samples[0]!.value) > band) {
      heading = value > samples[0]!.value ? 1 : -1;
      extreme = sample;
    }
  }
  return turns;
}

/** Divisions by which an answer that has passed its level comes back, and how long it is then watched. */
const CAME_BACK = 2.5;
const WATCHED_ON = 2;

/**
 * Whether an answer that went past its level and came back may still have a slow part to come: it is watched for
 * twice as long as the swing took.
 *
 * @param began  when the answer began, s
 */
export function isSwingingOut(
  samples: readonly Sample[],
  began: Seconds,
  resolution: number,
): boolean {
  const turned = turnsBack(smoothed(samples), CAME_BACK * resolution).at(-1);
  return turned !== undefined && samples.at(-1)!.t - turned < WATCHED_ON * (turned - began);
}

/** Means of three, so that noise does not swing. */
const smoothed = (samples: readonly Sample[]): readonly Sample[] =>
  samples.slice(2).map((last, i) => ({
    t: samples[i + 1]!.t,
    value: (samples[i]!.value + samples[i + 1]!.value + last.value) / 3,
  }));

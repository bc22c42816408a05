import { dyingOutOver, scatterOf, type Sample } from '../numerics';
import { inSeconds, type Seconds } from '../quantity';
import { heightOf, since, spanOf } from './record';
import { TIME_CONSTANTS, type Answer } from './still-to-come';

/** From when on creep is looked for, how far back, s, and the time constants from which it is told. */
const CREEP_SPAN: Seconds = inSeconds(30);
const CREEP_LOOK: Seconds = inSeconds(60);
const FINELY = { ...TIME_CONSTANTS, count: 30 };
/** By how much (logarithm of the likelihood) a slope that stays must say more. */
const MUCH_MORE = 4;
/** What goes on straight: surely moving, dying out no faster than this share of its last part, over few divisions. */
const STRAIGHT_CHANCE = 0.9;
const STRAIGHT_SHARE = 0.7;
const STRAIGHT_WHOLE = 0.8;
const STRAIGHT_HEIGHT = 10;

/**
 * Pa/s at which it goes on; undefined where it may as well die out. Either a slope that stays says much more of
 * the last minute than what dies out alone, or its last part moves little, surely, and as good as straight.
 */
export function creepOf(
  samples: readonly Sample[],
  { from, recent, rest }: Answer,
  resolution: number,
): number | undefined {
  const thin = since(samples, inSeconds(Math.max(from, samples.at(-1)!.t - CREEP_LOOK)));
  if (thin.length === 0 || spanOf(thin) < CREEP_SPAN) return undefined;
  const sloped = scatterOf(dyingOutOver(thin, FINELY, true), resolution, 4);
  const plain = scatterOf(dyingOutOver(thin, FINELY, false), resolution, 3);
  if (!sloped || !plain) return undefined;
  const isStraight =
    rest.chance > STRAIGHT_CHANCE &&
    rest.dies > STRAIGHT_SHARE * spanOf(recent) &&
    plain.best.timeConstant > STRAIGHT_WHOLE * spanOf(thin) &&
    heightOf(recent) < STRAIGHT_HEIGHT * resolution;
  if (isStraight) return -rest.left / rest.dies;
  const says = (sloped.share * (plain.best.rss - sloped.best.rss)) / (2 * sloped.variance);
  return says > MUCH_MORE ? sloped.best.slope : undefined;
}

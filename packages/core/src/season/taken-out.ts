import type { Random } from '../numerics';
import type { SeasonProblem } from './problem';
import type { Standing } from './working';

/** Of what is taken out at random: a share, and of a few blocks more than a share of them. */
const LARGEST_SHARE = 0.15;
const LEAST_OUT = 4;
/** Days are packed into fewer where there are many blocks; of a few, chance tries every way sooner. */
const MANY = 40;

/** Blocks to be taken out: some at random, a day or two whole, the days of one area, or what lies in it. */
export function chosen(
  problem: SeasonProblem,
  working: Standing,
  free: readonly number[],
  random: Random,
): readonly number[] {
  const one = free[Math.floor(random.uniform() * free.length)]!;
  const way = random.uniform();
  if (way < 0.35) {
    const share = Math.max(LARGEST_SHARE, LEAST_OUT / free.length) * random.uniform();
    return free.filter((block) => block === one || random.uniform() < share);
  }
  const place = working.places.get(one);
  if (way < 0.7 && place) {
    const span = 1 + Math.floor(random.uniform() * 3);
    return free.filter((block) => {
      const other = working.places.get(block);
      return other !== undefined && Math.abs(other.day - place.day) < span;
    });
  }
  const { enters } = problem.blocks[one]!;
  if (way < 0.85 && place && free.length > MANY)
    return daysOf(working, free, random, (block) => problem.blocks[block]!.enters === enters);
  return free.filter((block) => problem.blocks[block]!.enters === enters && random.uniform() < 0.7);
}

/** All of some days on which one area is worked in: they may be packed into fewer. */
function daysOf(
  { routes }: Standing,
  free: readonly number[],
  random: Random,
  isThere: (block: number) => boolean,
): readonly number[] {
  const there = routes.flatMap((days) => days.filter((route) => route.some(isThere)));
  const share = random.between(0.3, 1);
  const out = new Set(there.filter(() => random.uniform() < share).flat());
  return free.filter((block) => out.has(block));
}

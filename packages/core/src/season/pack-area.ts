import type { Random } from '../numerics';
import { offerIn } from './offers';
import type { Place } from './places';
import { minutesOf, placeCost, type SeasonProblem } from './problem';
import { put, take, type Working } from './working';

type Day = Omit<Place, 'at'>;
type Candidate = { readonly block: number; readonly minutes: number; readonly worth: number };

/** What a minute of a day that is filled is worth, between these: its share of a way that is saved, or far more. */
const LEAST_WORTH = 0.1;
const MOST_WORTH = 2;
/** How much more the minutes of a block as long as this are worth at the most: short ones fill what is left later. */
const MOST_FOR_LENGTH = 0.6;
const LONG = 240;

/**
 * Takes the blocks of one area out of their days, and puts them in again day by day, each day filled by the best
 * choice of all that is left: what fills it to the minute is a sum that putting in one after another hardly ever
 * hits, and a day less is a way less. What finds no day stays out.
 *
 * @param free  blocks that may be moved; the area of one of them is packed
 */
export function packArea(
  problem: SeasonProblem,
  working: Working,
  free: readonly number[],
  random: Random,
): void {
  const area = problem.blocks[free[Math.floor(random.uniform() * free.length)]!]!.enters;
  const there = free.filter((block) => isWithin(problem, block, area));
  const days: (Day & { readonly by: number })[] = [];
  for (const block of there) {
    const place = working.places.get(block);
    take(working, block);
    if (place && working.routes[place.person]![place.day]!.length === 0)
      days.push({ person: place.person, day: place.day, by: random.uniform() });
  }
  const minute = LEAST_WORTH * (MOST_WORTH / LEAST_WORTH) ** random.uniform();
  const forLength = (MOST_FOR_LENGTH / LONG) * random.uniform();
  const way = problem.travel[0]![area]! + problem.travel[area]![0]!;
  for (const { person, day } of days.sort((a, b) => a.by - b.by)) {
    const left = there.filter(
      (block) => working.out.has(block) && problem.blocks[block]!.hands.includes(person),
    );
    const candidates = left.map((block): Candidate => {
      const minutes = minutesOf(problem, block, person);
      const gain = minute * minutes * (1 + forLength * minutes);
      return { block, minutes, worth: gain - placeCost(problem.blocks[block]!, person, day) };
    });
    for (const block of bestFilling(candidates, problem.capacity[person]![day]! - way)) {
      const offer = offerIn(problem, working, block, [person, day]);
      if (offer) put(working, block, offer.place);
    }
  }
}

const isWithin = ({ blocks }: SeasonProblem, block: number, area: number): boolean =>
  blocks[block]!.enters === area && blocks[block]!.leaves === area;

/**
 * Of what may be done in a day the choice that is worth most: the best of all of them, in whole minutes.
 *
 * @param candidates  minutes > 0, and what each is worth there, of any sign
 * @param room  min
 * @returns blocks; none where the room is nothing
 */
export function bestFilling(candidates: readonly Candidate[], room: number): readonly number[] {
  const most = Math.floor(room);
  if (most <= 0) return [];
  const best = new Float64Array(most + 1);
  const taken = candidates.map(({ minutes, worth }) => {
    const needs = Math.ceil(minutes);
    const isTaken = new Uint8Array(most + 1);
    for (let within = most; within >= needs; within--) {
      const value = best[within - needs]! + worth;
      if (value <= best[within]!) continue;
      best[within] = value;
      isTaken[within] = 1;
    }
    return { needs, isTaken };
  });
  const chosen: number[] = [];
  let within = most;
  for (const [i, { needs, isTaken }] of [...taken.entries()].reverse()) {
    if (!isTaken[within]) continue;
    chosen.push(candidates[i]!.block);
    within -= needs;
  }
  return chosen;
}

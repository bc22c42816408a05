import { whereIs, barOf, type Place } from './places';
import { emptyRoutes, type Routes, type SeasonProblem } from './problem';

/** Each block in turn on the first day that takes it, at the day's end. */
function inTurn(problem: SeasonProblem, order: readonly number[]): Routes {
  const routes = emptyRoutes(problem);
  for (const block of order) {
    const place = firstPlace(problem, routes, block);
    if (place) routes[place.person]![place.day]!.push(block);
  }
  return routes;
}

function firstPlace(problem: SeasonProblem, routes: Routes, block: number): Place | undefined {
  const places = whereIs(routes);
  for (let day = 0; day < problem.days; day++)
    for (const person of problem.blocks[block]!.hands) {
      const place = { person, day, at: routes[person]![day]!.length };
      if (barOf(problem, routes, places, { ...place, block }) === undefined) return place;
    }
  return undefined;
}

const byKey = (problem: SeasonProblem, keyOf: (block: number) => readonly number[]): number[] =>
  [...problem.blocks.keys()].sort((a, b) => {
    const [left, right] = [keyOf(a), keyOf(b)];
    const i = left.findIndex((value, k) => value !== right[k]);
    return i < 0 ? a - b : left[i]! - right[i]!;
  });

/** The day from which on waiting costs. */
const dueDay = ({ costs }: SeasonProblem['blocks'][number]): number => {
  const least = Math.min(...costs);
  return costs.findLastIndex((cost) => cost === least);
};

/** A habit: whatever is due first is done first. */
export const byDueDate = (problem: SeasonProblem): Routes =>
  inTurn(
    problem,
    byKey(problem, (block) => [dueDay(problem.blocks[block]!)]),
  );

/** Another: one place after the other, in each whatever is due first. */
export const placeByPlace = (problem: SeasonProblem): Routes =>
  inTurn(
    problem,
    byKey(problem, (block) => [problem.blocks[block]!.enters, dueDay(problem.blocks[block]!)]),
  );

import type { RatePrior } from '../coach';
import { ratePrior, type TaughtRate } from '../step';
import { adjusterPlate, type AnyPlate, type HouseRules } from '../valve';
import { adjustersOf } from './list';

/** First guesses for every adjuster of a plate; `taughtOf` gives what its earlier sheets have taught. */
export const ratePriors = (
  plate: AnyPlate,
  taughtOf: (adjuster: string) => readonly TaughtRate[],
  rules: HouseRules,
): Readonly<Record<string, RatePrior>> =>
  Object.fromEntries(
    adjustersOf(plate).map(({ id }) => [
      id,
      ratePrior(adjusterPlate(plate, id), taughtOf(id), rules),
    ]),
  );

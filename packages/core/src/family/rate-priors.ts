import { fleetKindFor, type FleetKind, type RatePrior } from '../coach';
import { ratePrior, springName, type TaughtRate } from '../step';
import { adjusterPlate, type AnyPlate, type HouseRules } from '../valve';
import { adjustersOf } from './list';

/** First guesses for every adjuster of a plate; `taughtOf` gives what its earlier sheets have taught, `fleet` what others have. */
export const ratePriors = (
  plate: AnyPlate,
  taughtOf: (adjuster: string) => readonly TaughtRate[],
  rules: HouseRules,
  fleet: readonly FleetKind[] = [],
): Readonly<Record<string, RatePrior>> =>
  Object.fromEntries(
    adjustersOf(plate).map(({ id }) => {
      const own = adjusterPlate(plate, id);
      const { family, size_dn } = plate;
      const kind = { family, adjuster: id, spring: springName(own), size_dn };
      return [id, ratePrior(own, taughtOf(id), rules, fleetKindFor(fleet, kind))];
    }),
  );

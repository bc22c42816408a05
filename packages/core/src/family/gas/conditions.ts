import type { AnyPlate } from '../../valve';
import type { Conditions } from '../../step';
import type { GasPlate } from './plate';

const of = (plate: AnyPlate) => plate as GasPlate;
const isSealed = (plate: AnyPlate) => of(plate).sealed !== false;
const isPiloted = (plate: AnyPlate) => of(plate).loading === 'pilot';

/** What of a gas regulator's hardware chooses its steps. */
export const gasConditions: Conditions = {
  sealed: isSealed,
  pilot_loaded: isPiloted,
  spring_loaded: (plate) => !isPiloted(plate),
  main_cap_sealed: (plate) => isPiloted(plate) && isSealed(plate),
  spring_cap_sealed: (plate) => !isPiloted(plate) && isSealed(plate),
  slam_shut: (plate) => of(plate).slam_shut === true,
  relief_after: (plate) => of(plate).relief_after === true,
};

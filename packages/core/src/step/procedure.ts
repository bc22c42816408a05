import type { Cause } from '../coach';
import type { Positions } from '../plant';
import type { AnyPlate } from '../valve';
import type { Conditions } from './conditions';
import type { Step } from './shapes';
import type { Fitting, School } from './step';

/** A family's run as data. */
export type Procedure = {
  readonly family: string;
  readonly version: number;
  readonly schools: readonly School[];
  /** Positions before anybody has touched anything. */
  readonly initial: Positions;
  readonly fittings: readonly Fitting[];
  readonly steps: readonly Step[];
  /** Families whose steps depend on how the valve is piped make them from the plate. */
  readonly build?: (plate: AnyPlate, school: string) => readonly Step[];
  /** Facts of the plate that steps of this family ask for by `when` and `unless`. */
  readonly conditions?: Conditions;
  readonly causes: readonly Cause[];
};

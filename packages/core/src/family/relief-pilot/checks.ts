import type { Targets } from '../../valve';
import type { PilotReliefPlate } from './plate';

export type PilotReliefIssue = {
  readonly code: 'valve.relief_under_working';
  readonly stops: true;
  readonly working: number;
};

/** A relief is shut at the pressure of normal work. */
export const pilotReliefIssues = (
  { working_pa: working }: PilotReliefPlate,
  { target }: Targets,
): readonly PilotReliefIssue[] =>
  target.set_point_pa - target.tolerance_pa <= working
    ? [{ code: 'valve.relief_under_working', stops: true, working }]
    : [];

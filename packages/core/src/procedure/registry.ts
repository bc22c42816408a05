import type { Family } from '../valve';
import { burnerProcedure } from './burner-pilot';
import { controllerProcedure } from './controller';
import { electronicPilotProcedure } from './electronic-pilot';
import { gasProcedure } from './gas';
import { indicatorProcedure } from './indicator';
import { hydraulicProcedure } from './hydraulic';
import { positionerProcedure } from './positioner';
import { switchProcedure } from './pressure-switch';
import { reducingProcedure } from './reducing';
import { pilotReliefProcedure } from './relief-pilot';
import { springReliefProcedure } from './relief-spring';
import { selfOperatedProcedure } from './self-operated';
import type { Procedure } from './step';
import { suctionProcedure } from './suction';
import { sustainingProcedure } from './sustaining';

/** Every version that a stored run may name stays here. */
export const procedures: readonly Procedure[] = [
  reducingProcedure,
  sustainingProcedure,
  pilotReliefProcedure,
  springReliefProcedure,
  hydraulicProcedure,
  gasProcedure,
  selfOperatedProcedure,
  suctionProcedure,
  switchProcedure,
  burnerProcedure,
  positionerProcedure,
  indicatorProcedure,
  controllerProcedure,
  electronicPilotProcedure,
];

/** The procedure of a family; the newest when no version is named. A missing one is a bug. */
export function procedureOf(family: Family, version?: number): Procedure {
  const found = procedures
    .filter((p) => p.family === family && (version === undefined || p.version === version))
    .sort((a, b) => b.version - a.version)[0];
  if (!found) throw new Error(`no procedure for ${family} version ${version ?? 'newest'}`);
  return found;
}

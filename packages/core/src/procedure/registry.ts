import type { Family } from '../valve';
import { reducingProcedure } from './reducing';
import type { Procedure } from './step';

/** Every version that a stored run may name stays here. */
const procedures: readonly Procedure[] = [reducingProcedure];

/** The procedure of a family; the newest when no version is named. A missing one is a bug. */
export function procedureOf(family: Family, version?: number): Procedure {
  const found = procedures
    .filter((p) => p.family === family && (version === undefined || p.version === version))
    .sort((a, b) => b.version - a.version)[0];
  if (!found) throw new Error(`no procedure for ${family} version ${version ?? 'newest'}`);
  return found;
}

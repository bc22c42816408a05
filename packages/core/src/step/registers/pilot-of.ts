import { hasElectronics, type ElectronicsPlate } from '../../valve';
import type { RunState } from '../run-state';

/** The plate of a run on an electronic pilot; another is a bug of the procedure. */
export function pilotOf({ started }: Pick<RunState, 'started'>): ElectronicsPlate {
  if (!hasElectronics(started.plate)) throw new Error('registers on a valve without electronics');
  return started.plate;
}

import type { Plate } from '../family';
import { selfTuningOf, springNow, trimNow, type RunState } from '../step';
import { hasElectronics } from '../valve';
import type { Run } from './run';

/** The plate as the run leaves it. */
export const plateLeft = (run: Run): Plate => ({
  ...run.started.plate,
  fitted_spring: springNow(run, 'main'),
  ...(hasElectronics(run.started.plate) ? tunedLeft(run) : {}),
});

/** The trim that is in now, and the one that the tuning is for. */
const tunedLeft = (run: RunState) => ({
  trim: trimNow(run),
  ...(selfTuningOf(run) ? { tuned_trim: trimNow(run) } : {}),
});

import { adjusterPlate, type AdjusterPlate, type Plate } from '../valve';
import { trimNow } from './device-view';
import type { Run } from './state';

/** Colour of the spring that an adjuster has now: the plate's, or the one it was changed to in this run. */
export const springNow = (run: Run, adjuster: string): string =>
  run.springs[adjuster] ?? adjusterPlate(run.started.plate, adjuster).fitted_spring;

/** An adjuster's plate with the spring that is in it now. */
export const adjusterNow = (run: Run, adjuster: string): AdjusterPlate => ({
  ...adjusterPlate(run.started.plate, adjuster),
  fitted_spring: springNow(run, adjuster),
});

/** The plate as the run leaves it. */
export const plateLeft = (run: Run): Plate => ({
  ...run.started.plate,
  fitted_spring: springNow(run, 'main'),
  ...(run.started.plate.family === 'electronic_pilot' ? tunedLeft(run) : {}),
});

/** The trim that is in now, and the one that the tuning is for. */
const tunedLeft = (run: Run) => ({
  trim: trimNow(run),
  ...(run.selfTune ? { tuned_trim: trimNow(run) } : {}),
});

import { adjusterPlate, type AdjusterPlate } from '../../valve';
import type { RunState } from '../run-state';

/** Colour of the spring that an adjuster has now: the plate's, or the one it was changed to in this run. */
export const springNow = (run: RunState, adjuster: string): string =>
  run.springs[adjuster] ?? adjusterPlate(run.started.plate, adjuster).fitted_spring;

/** An adjuster's plate with the spring that is in it now. */
export const adjusterNow = (run: RunState, adjuster: string): AdjusterPlate => ({
  ...adjusterPlate(run.started.plate, adjuster),
  fitted_spring: springNow(run, adjuster),
});

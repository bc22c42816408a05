import type { Purpose } from '../procedure';
import type { Run, TakenReading } from './state';

/** The last reading taken for a purpose, of one adjuster where it is named. */
export const lastReading = (run: Run, purpose: Purpose, adjuster?: string): TakenReading | undefined =>
  run.readings.findLast(
    (taken) =>
      taken.purpose === purpose &&
      (adjuster === undefined || taken.adjuster === undefined || taken.adjuster === adjuster),
  );

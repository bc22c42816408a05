import type { RunState, TakenReading } from './run-state';
import type { Purpose } from './step';

/** The last reading taken for a purpose, of one adjuster where it is named. */
export const lastReading = (
  run: Pick<RunState, 'readings'>,
  purpose: Purpose,
  adjuster?: string,
): TakenReading | undefined =>
  run.readings.findLast(
    (taken) =>
      taken.purpose === purpose &&
      (adjuster === undefined || taken.adjuster === undefined || taken.adjuster === adjuster),
  );

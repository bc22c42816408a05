import { pilotOf } from '../registers/pilot-of';
import { recordOf, stepsOfKind, type RunState } from '../run-state';
import type { SelfTuning } from './shape';

/** The trim that is in the valve now, as this run knows it. */
export function trimNow(run: RunState): string {
  const said = run.observed['trim_now'];
  return run.observed['trim_same'] === 'no' && said ? said : pilotOf(run).trim;
}

/** Whether it has to tune itself: never done, or valve or trim have changed since. */
export const tuneIsDue = (run: RunState): boolean =>
  run.observed['trim_same'] === 'no' || pilotOf(run).tuned_trim !== trimNow(run);

/** What the unit has tuned itself to in this run; undefined before. */
export const selfTuningOf = (run: RunState): SelfTuning | undefined =>
  stepsOfKind(run, 'self_tune').map((step) => recordOf(run, step).tuning)[0];

import type { Result } from '../../result';
import { fitStep, type StepError, type StepFit, type StepSample } from '../../tune';
import { recordOf, stepsOfKind, type RunState } from '../run-state';

/** Keys under which the settings that were dialled are kept. */
export const DIALLED = { band: 'band_percent', reset: 'reset_minutes' } as const;

/** The model that the step test of a run fits; undefined before there was one. */
export const stepFitOf = (run: RunState): Result<StepFit, StepError> | undefined => {
  const samples = stepTestOf(run);
  return samples.length === 0 ? undefined : fitStep(samples);
};

/** The step test taken last; empty before there was one. */
export const stepTestOf = (run: RunState): readonly StepSample[] =>
  stepsOfKind(run, 'tune').flatMap((step) => recordOf(run, step).samples);

/** Band in % and reset in minutes a repeat as they were dialled in this run; undefined before. */
export const dialledIn = ({ measured }: Pick<RunState, 'measured'>) => {
  const { [DIALLED.band]: band, [DIALLED.reset]: reset } = measured;
  return band === undefined || reset === undefined ? undefined : { band, reset };
};

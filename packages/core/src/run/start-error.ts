import { procedures } from '../family';
import type { EventOf } from './event';
import { isRecordOnTwin } from './purpose';

/** Why a run cannot have begun like this. */
export type StartError =
  | { readonly code: 'run.record_on_twin' }
  /** This house is older than the phone: it does not know the steps. */
  | { readonly code: 'run.unknown_procedure'; readonly family: string; readonly version: number }
  | { readonly code: 'run.unknown_school'; readonly school: string };

/** Checks a beginning against what is known here; undefined when it may stand. */
export function startError(started: EventOf<'started'>): StartError | undefined {
  if (isRecordOnTwin(started)) return { code: 'run.record_on_twin' };
  const { family } = started.plate;
  const { procedure_version: version, school } = started;
  const procedure = procedures.find((each) => each.family === family && each.version === version);
  if (!procedure) return { code: 'run.unknown_procedure', family, version };
  return procedure.schools.some(({ id }) => id === school)
    ? undefined
    : { code: 'run.unknown_school', school };
}

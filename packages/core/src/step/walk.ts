import type { AnyPlate } from '../valve';
import { sharedConditions } from './conditions';
import type { Procedure } from './procedure';
import type { Step } from './shapes';

/** The steps that a run of this plate by this school goes through, in order. */
export function stepsFor(procedure: Procedure, school: string, plate: AnyPlate): readonly Step[] {
  const conditions = { ...sharedConditions, ...procedure.conditions };
  return (procedure.build?.(plate, school) ?? procedure.steps).filter(
    (step) =>
      (step.school === undefined || step.school === school) &&
      !(step.unless !== undefined && conditions[step.unless]!(plate)) &&
      !(step.when !== undefined && !conditions[step.when]!(plate)),
  );
}

/** What is left of a run once its valve has gone out of service: everything back, and the signature. */
export const stepsOutOfService = (steps: readonly Step[]): readonly Step[] =>
  steps.filter(({ kind }) => kind === 'restore' || kind === 'sign');

/** The first step that is neither done nor skipped; undefined when all are. */
export const currentStep = (
  steps: readonly Step[],
  passed: (stepId: string) => boolean,
): Step | undefined => steps.find(({ id }) => !passed(id));

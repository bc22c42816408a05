import type { Plate } from '../valve';
import { conditions } from './guards';
import type { Procedure, Step } from './step';

/** The steps that a run of this plate by this school goes through, in order. */
export const stepsFor = (procedure: Procedure, school: string, plate: Plate): readonly Step[] =>
  (procedure.build?.(plate, school) ?? procedure.steps).filter(
    (step) =>
      (step.school === undefined || step.school === school) &&
      !(step.unless !== undefined && conditions[step.unless]!(plate)) &&
      !(step.when !== undefined && !conditions[step.when]!(plate)),
  );

/** What is left of a run once its valve has gone out of service: everything back, and the signature. */
export const stepsOutOfService = (steps: readonly Step[]): readonly Step[] =>
  steps.filter(({ kind }) => kind === 'restore' || kind === 'sign');

/** The first step that is neither done nor skipped; undefined when all are. */
export const currentStep = (steps: readonly Step[], passed: (stepId: string) => boolean): Step | undefined =>
  steps.find(({ id }) => !passed(id));

const MAY_NOT_BE_SKIPPED = new Set<Step['kind']>([
  'caution',
  'set',
  'search',
  'count',
  'linkage',
  'switching',
  'edges',
  'cables',
  'terminals',
  'stroke',
  'lock',
  'restore',
  'sign',
]);

/** Whether a step may be left out with a reason; cautions, the setting, the lock and the end may not. */
export const canSkip = (step: Step): boolean =>
  !MAY_NOT_BE_SKIPPED.has(step.kind) && step.purpose !== 'as_left' && step.fails === undefined;

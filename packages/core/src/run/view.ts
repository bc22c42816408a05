import { gaugeError, type Gauge } from '../gauge';
import {
  canSkip,
  currentStep,
  openEndsOf,
  unmetOf,
  type GuardOutcome,
  type OpenEnd,
  type RunState,
  type Step,
} from '../step';

/** What a screen needs to know of a run: computed, never stored. */
export type RunView = {
  readonly step: Step | undefined;
  readonly blocked: readonly GuardOutcome[];
  readonly canSkip: boolean;
  readonly openEnds: readonly OpenEnd[];
  readonly passed: (stepId: string) => boolean;
};

/** Standard deviation of one reading of a gauge, Pa: what the eye or the last digit leaves open. */
export const readingSd = (gauge: Gauge): number =>
  Math.max(gauge.resolution_pa / 2, gaugeError(gauge) / 6);

/** Whether a step is behind: done, left out, or fallen away by what was answered. */
export function isPassed(run: RunState, stepId: string): boolean {
  if (stepId in run.done || stepId in run.skipped) return true;
  const condition = run.steps.find(({ id }) => id === stepId)?.onlyIf;
  return condition !== undefined && run.observed[condition.key] !== condition.value;
}

const views = new WeakMap<RunState, RunView>();

/** Where a run stands; computed once for each state of it. */
export function runView(run: RunState): RunView {
  const known = views.get(run);
  if (known) return known;
  const view = viewOf(run);
  views.set(run, view);
  return view;
}

function viewOf(run: RunState): RunView {
  const passed = (stepId: string) => isPassed(run, stepId);
  const step = run.status === 'signed' ? undefined : currentStep(run.steps, passed);
  return {
    step,
    blocked: step ? unmetOf(run, step) : [],
    canSkip: step ? canSkip(step) : false,
    openEnds: openEndsOf(run),
    passed,
  };
}

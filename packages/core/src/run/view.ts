import { gaugeError, type Gauge } from '../gauge';
import {
  canSkip,
  currentStep,
  unmetGuards,
  type GuardOutcome,
  type ProcedureFacts,
  type Step,
} from '../procedure';
import { targetOf } from '../valve';
import { springNow } from './spring-now';
import { captureCycles, crackedAt, cyclesWanted, isWhole } from './captures';
import { lastReading } from './last-reading';
import { dialledIn, sweepView } from './controller-view';
import { registersView, strokeVerdict, terminalsLeft, tuneIsDue, voltsLeft } from './device-view';
import { lightsView } from './lights';
import { linkageView, pointsView } from './points';
import { switchCycles, switchView } from './switch-view';
import { settingView } from './setting-view';
import type { OpenEnd, Run } from './state';

/** What a screen needs to know of a run: computed, never stored. */
export type RunView = {
  readonly step: Step | undefined;
  readonly blocked: readonly GuardOutcome[];
  readonly canSkip: boolean;
  readonly openEnds: readonly OpenEnd[];
  readonly passed: (stepId: string) => boolean;
};

export const openEndsOf = (run: Run): readonly OpenEnd[] =>
  run.openEnds.filter(({ state }) => state === 'open');

/** Standard deviation of one reading of a gauge, Pa: what the eye or the last digit leaves open. */
export const readingSd = (gauge: Gauge): number => Math.max(gauge.resolution_pa / 2, gaugeError(gauge) / 6);

/** Whether a step is behind: done, left out, or fallen away by what was answered. */
export function isPassed(run: Run, stepId: string): boolean {
  if (stepId in run.done || stepId in run.skipped) return true;
  const condition = run.steps.find(({ id }) => id === stepId)?.onlyIf;
  return condition !== undefined && run.observed[condition.key] !== condition.value;
}

export function runView(run: Run): RunView {
  const passed = (stepId: string) => isPassed(run, stepId);
  const step = run.status === 'signed' ? undefined : currentStep(run.steps, passed);
  return {
    step,
    blocked: step ? unmetGuards(step.needs, factsOf(run, step)) : [],
    canSkip: step ? canSkip(step) : false,
    openEnds: openEndsOf(run),
    passed,
  };
}

export function factsOf(run: Run, step: Step): ProcedureFacts {
  const { plate, house_rules: rules } = run.started;
  const latest = (role: 'inlet' | 'outlet') =>
    run.readings.findLast((taken) => taken.role === role)?.reading.si;
  const judged = run.observed['flow_judged'];
  const isSet = step.kind === 'set' && step.adjuster !== undefined;
  return {
    plate,
    target: targetOf(run.started, step.adjuster ?? 'main') ?? run.started.target,
    rules,
    inlet: lastReading(run, 'supply')?.reading.si,
    outlet: latest('outlet'),
    line: lastReading(run, 'line')?.reading.si,
    flow: run.measured['flow'],
    flowJudged: judged === 'strong' || judged === 'weak' ? judged : undefined,
    settingDone: isSet && settingView(run, step.adjuster!).move?.kind === 'done',
    openEnds: openEndsOf(run).map(({ id }) => id),
    measured: run.measured,
    observed: run.observed,
    hasCracked: crackedAt(run, step.id) !== undefined,
    cyclesCaptured: captureCycles(run, step.id).filter(isWhole).length,
    springNow: springNow(run, step.adjuster ?? 'main'),
    cyclesWanted: step.kind === 'capture' || step.kind === 'switching' ? cyclesWanted(run, step.id) : 0,
    pointsLeft: step.kind === 'points' ? pointsView(run, step.id).left : 0,
    isAligned: step.kind === 'sweep' && isFlat(run),
    isTuned: step.kind === 'tune' && dialledIn(run) !== undefined,
    edgesFound: step.kind === 'edges' && lightsView(run).search.isDone,
    switchCycles: step.kind === 'switching' ? switchCycles(run, step.id).length : 0,
    bandHolds: step.kind === 'switching' && switchView(run, step).holds,
    voltsLeft: step.kind === 'cables' && voltsLeft(run),
    terminalsLeft: step.kind === 'terminals' ? terminalsLeft(run) : 0,
    registersLeft:
      step.kind === 'registers'
        ? registersView(run, step, run.lastAtMs).filter(({ isRight }) => !isRight).length
        : 0,
    strokeFound: step.kind === 'stroke' && strokeVerdict(run) === 'whole',
    isTunedForTrim: step.kind === 'self_tune' && (run.selfTune !== undefined || !tuneIsDue(run)),
    linkageHolds: step.kind === 'linkage' && linkageView(run).move.kind === 'done',
  };
}

const isFlat = (run: Run): boolean => {
  const { nextGain, alignment } = sweepView(run);
  return nextGain === undefined && alignment.ok && alignment.value.verdict === 'flat';
};

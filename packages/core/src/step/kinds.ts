import type { Positions } from '../plant';
import { actStep } from './act';
import { askStep } from './ask';
import type { Folded, StepBehaviour, StepRefusal } from './behaviour';
import { cablesStep } from './cables';
import { captureStep } from './capture';
import { cautionStep } from './caution';
import { checkStep } from './check';
import { clockStep } from './clock';
import { countStep } from './count';
import { cycleStep } from './cycle';
import { edgesStep } from './edges';
import type { GuardOutcome } from './guard-names';
import { unmetNeeds } from './guards';
import type { Hand } from './hand';
import { linkageStep } from './linkage';
import { lockStep } from './lock';
import { pointsStep } from './points';
import type { Prompt, Seen } from './prompt';
import type { Proof } from './proof';
import { readStep } from './read';
import { registersStep } from './registers';
import { restoreStep } from './restore';
import type { RunState } from './run-state';
import { searchStep } from './search';
import { selfTuneStep } from './self-tune';
import { setStep } from './set';
import type { EntryDraft, EntryOf, Step, StepEvent, StepKind, StepOf, StepRecord } from './shapes';
import { signStep } from './sign';
import { springStep } from './spring';
import type { OpenEndSpec } from './step';
import { strokeStep } from './stroke';
import { sweepStep } from './sweep';
import { switchingStep } from './switching';
import { tableStep } from './table';
import { terminalsStep } from './terminals';
import { tuneStep } from './tune';
import { waitStep } from './wait';

/** What every kind of step does: a kind without it does not compile. */
const behaviours: { readonly [K in StepKind]: StepBehaviour<K> } = {
  caution: cautionStep,
  check: checkStep,
  act: actStep,
  ask: askStep,
  spring: springStep,
  read: readStep,
  set: setStep,
  search: searchStep,
  count: countStep,
  wait: waitStep,
  cycle: cycleStep,
  capture: captureStep,
  table: tableStep,
  points: pointsStep,
  linkage: linkageStep,
  switching: switchingStep,
  edges: edgesStep,
  clock: clockStep,
  sweep: sweepStep,
  tune: tuneStep,
  cables: cablesStep,
  terminals: terminalsStep,
  registers: registersStep,
  stroke: strokeStep,
  self_tune: selfTuneStep,
  lock: lockStep,
  restore: restoreStep,
  sign: signStep,
};

/** A step of any kind, with what its kind does. */
type AnyBehaviour = StepBehaviour<StepKind>;
const behaviourOf = ({ kind }: Step): AnyBehaviour => behaviours[kind] as unknown as AnyBehaviour;
type AnyStep = StepOf<StepKind>;

export const foldStep = (
  run: RunState,
  step: Step,
  event: StepEvent,
): Folded<StepRecord> | undefined => behaviourOf(step).fold?.(run, step as AnyStep, event);

/** Records after an answer, told to every kind that listens. */
export function heardBy(run: RunState, answer: EntryOf<'observed'>): RunState['records'] {
  const heard = Object.entries(run.records).flatMap(([id, record]) => {
    const hear = behaviours[record.kind].hear as AnyBehaviour['hear'];
    return hear ? [[id, hear(record, answer)] as const] : [];
  });
  return heard.length === 0 ? run.records : { ...run.records, ...Object.fromEntries(heard) };
}

export const refusedBy = (run: RunState, step: Step, draft: EntryDraft): StepRefusal | undefined =>
  behaviourOf(step).refuses?.(run, step as AnyStep, draft);

/** Outcomes of everything that does not hold yet; empty when a step may be confirmed. */
export function unmetOf(run: RunState, step: Step): readonly GuardOutcome[] {
  const own = behaviourOf(step).asks?.(run, step as AnyStep);
  return [...(own && own.state !== 'met' ? [own] : []), ...unmetNeeds(run, step)];
}

/** What an entry of a step moves on the line. */
export const movesOfStep = (step: Step, event: StepEvent): readonly Positions[] =>
  behaviourOf(step).moves?.(step as AnyStep, event) ?? [];

/** Carries a step out; false when it cannot go on. */
export const carryOut = (hand: Hand, step: Step): boolean =>
  behaviourOf(step).carryOut(hand, step as AnyStep);

/** Whether a step may be left out with a reason; cautions, the setting, the lock and the end may not. */
export const canSkip = (step: Step): boolean =>
  behaviourOf(step).maySkip &&
  !('purpose' in step && step.purpose === 'as_left') &&
  !('fails' in step);

/** Ends that a step leaves open when it is confirmed; none where entries of its own open them. */
export const madeByConfirming = (step: Step): readonly OpenEndSpec[] =>
  behaviourOf(step).opensByEntry === true ? [] : (step.makes ?? []);

/** What a step proves, as far as it was taken. */
export const provedBy = (run: RunState, step: Step): readonly Proof[] =>
  behaviourOf(step).proves?.(run, step as AnyStep) ?? [];

/** What the person is asked now. */
export const promptOf = (run: RunState, step: Step, seen: Seen = {}): Prompt =>
  behaviourOf(step).prompt?.(run, step as AnyStep, seen) ?? { ask: 'confirm' };

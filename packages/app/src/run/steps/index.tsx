import type { Step, StepKind } from '@holvek/core';
import type { ComponentType } from 'react';
import { AskStep } from './ask-step';
import { CablesStep } from './cables-step';
import { CaptureStep } from './capture-step';
import { ClockStep } from './clock-step';
import { ConfirmStep } from './confirm-step';
import { CountStep } from './count-step';
import { CycleStep } from './cycle-step';
import { EdgesStep } from './edges-step';
import { LinkageStep } from './linkage-step';
import { LockStep } from './lock-step';
import { PointsStep } from './points-step';
import { ReadStep } from './read-step';
import { RegistersStep } from './registers-step';
import { RestoreStep } from './restore-step';
import { SearchStep } from './search-step';
import { SelfTuneStep } from './self-tune-step';
import { SetStep } from './set-step';
import { SignStep } from './sign-step';
import { SpringStep } from './spring-step';
import { StrokeStep } from './stroke-step';
import { SweepStep } from './sweep-step';
import { SwitchingStep } from './switching-step';
import { TableStep } from './table-step';
import { TerminalsStep } from './terminals-step';
import { TuneStep } from './tune-step';

const screens: Record<StepKind, ComponentType<{ readonly step: Step }>> = {
  caution: ConfirmStep,
  check: ConfirmStep,
  act: ConfirmStep,
  ask: AskStep,
  spring: SpringStep,
  wait: ConfirmStep,
  read: ReadStep,
  set: SetStep,
  search: SearchStep,
  count: CountStep,
  capture: CaptureStep,
  cycle: CycleStep,
  table: TableStep,
  points: PointsStep,
  linkage: LinkageStep,
  switching: SwitchingStep,
  edges: EdgesStep,
  clock: ClockStep,
  sweep: SweepStep,
  tune: TuneStep,
  cables: CablesStep,
  terminals: TerminalsStep,
  registers: RegistersStep,
  stroke: StrokeStep,
  self_tune: SelfTuneStep,
  lock: LockStep,
  restore: RestoreStep,
  sign: SignStep,
};

/** The screen of a step, by its kind. */
export function StepScreen({ step }: { readonly step: Step }) {
  const Screen = screens[step.kind];
  return <Screen step={step} />;
}

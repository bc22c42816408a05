import type { Step, StepKind, StepOf } from '@holvek/core';
import type { ComponentType } from 'react';
import { AskStep } from './ask/ask-step';
import { CablesStep } from './cables/cables-step';
import { CaptureStep } from './capture/capture-step';
import { ClockStep } from './clock/clock-step';
import { ConfirmStep } from './parts/confirm-step';
import { CountStep } from './count/count-step';
import { CycleStep } from './cycle/cycle-step';
import { EdgesStep } from './edges/edges-step';
import { LinkageStep } from './linkage/linkage-step';
import { LockStep } from './lock/lock-step';
import { PointsStep } from './points/points-step';
import { ReadStep } from './read/read-step';
import { RegistersStep } from './registers/registers-step';
import { RestoreStep } from './restore/restore-step';
import { SearchStep } from './search/search-step';
import { SelfTuneStep } from './self-tune/self-tune-step';
import { SetStep } from './set/set-step';
import { SignStep } from './sign/sign-step';
import { SpringStep } from './spring/spring-step';
import { StrokeStep } from './stroke/stroke-step';
import { SweepStep } from './sweep/sweep-step';
import { SwitchingStep } from './switching/switching-step';
import { TableStep } from './table/table-step';
import { TerminalsStep } from './terminals/terminals-step';
import { TuneStep } from './tune/tune-step';

/** Every kind has its screen: one without does not compile. */
const screens: { readonly [K in StepKind]: ComponentType<{ readonly step: StepOf<K> }> } = {
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
  const Screen = screens[step.kind] as ComponentType<{ readonly step: Step }>;
  return <Screen step={step} />;
}

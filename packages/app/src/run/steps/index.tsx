import type { Step, StepKind } from '@holvek/core';
import type { ComponentType } from 'react';
import { ConfirmStep } from './confirm-step';
import { CycleStep } from './cycle-step';
import { FlowStep } from './flow-step';
import { LockStep } from './lock-step';
import { ReadStep } from './read-step';
import { RestoreStep } from './restore-step';
import { SetStep } from './set-step';
import { SignStep } from './sign-step';
import { TableStep } from './table-step';

const screens: Record<StepKind, ComponentType<{ readonly step: Step }>> = {
  caution: ConfirmStep,
  check: ConfirmStep,
  act: ConfirmStep,
  wait: ConfirmStep,
  read: ReadStep,
  set: SetStep,
  cycle: CycleStep,
  table: TableStep,
  lock: LockStep,
  restore: RestoreStep,
  sign: SignStep,
};

/** The screen of a step: by its kind, or by what it asks for. */
export function StepScreen({ step }: { readonly step: Step }) {
  const Screen = step.asks === 'flow' ? FlowStep : screens[step.kind];
  return <Screen step={step} />;
}

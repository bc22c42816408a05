import type { StepOf } from '@holvek/core';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { BigButton } from '@/ui/press';

/** The nut goes tight; only after it does a reading count as left. */
export function LockStep({ step }: { readonly step: StepOf<'lock'> }) {
  const { add } = useDesk();
  const lock = () => void add({ type: 'locked', step_id: step.id, adjuster: step.adjuster });
  useKeys({ n: lock });
  return (
    <StepFrame
      onPath
      actions={
        <BigButton flex={1} onPress={lock} keyHint="N" testID="confirm-step">
          Nut tight, cap on
        </BigButton>
      }
    />
  );
}

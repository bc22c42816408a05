import type { Step, StepKind } from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '../use-desk';
import { StepFrame } from '../step-frame';
import { SkipSheet } from '../skip-sheet';
import { useKeys } from '@/shell/use-keys';
import { BigButton, WordButton } from '@/ui/press';

const word: Partial<Record<StepKind, string>> = {
  caution: 'Read and understood',
  check: 'Yes, it is so',
  act: 'Done',
  wait: 'Done',
};

/** A caution, a check or an act: one thing to confirm. */
export function ConfirmStep({ step }: { readonly step: Step }) {
  const { add, view } = useDesk();
  const [isSkipping, setSkipping] = useState(false);
  const confirm = () => void add({ type: 'step_done', step_id: step.id });
  useKeys({ n: confirm });
  return (
    <StepFrame
      actions={
        <BigButton flex={1} onPress={confirm} keyHint="N" testID="confirm-step">
          {word[step.kind] ?? 'Done'}
        </BigButton>
      }
      more={
        view.canSkip ? (
          <WordButton onPress={() => setSkipping(true)}>not here: leave it out</WordButton>
        ) : null
      }
    >
      <SkipSheet step={step} isOpen={isSkipping} onClose={() => setSkipping(false)} />
    </StepFrame>
  );
}

import type { Step, StepKind } from '@holvek/core';
import { useState } from 'react';
import { LineDiagram } from './line-diagram';
import { useDesk } from '@/desk/use-desk';
import { StepFrame } from './step-frame';
import { SkipSheet } from './skip-sheet';
import { useStepText } from './step-text';
import { useKeys } from '@/ui/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { BigButton, WordButton } from '@/ui/press';
import { Words } from '@/ui/words';

const word: Partial<Record<StepKind, string>> = {
  caution: 'Read and understood',
  check: 'Yes, it is so',
  act: 'Done',
  wait: 'Done',
};

/** A caution, a check or an act: one thing to confirm. A check that can fail takes the valve out of service. */
export function ConfirmStep({ step }: { readonly step: Step }) {
  const { add, view } = useDesk();
  const fill = useStepText();
  const fails = 'fails' in step ? step.fails : undefined;
  const [open, setOpen] = useState<'skip' | 'fails'>();
  const confirm = () => void add({ type: 'step_done', step_id: step.id });
  const condemn = () => {
    setOpen(undefined);
    void add({
      type: 'condemned',
      step_id: step.id,
      reason: fill(fails ?? step.say, step.adjuster),
    });
  };
  useKeys({ n: confirm });
  return (
    <StepFrame
      onPath
      actions={
        <>
          {fails ? (
            <BigButton flex={1} kind="stop" onPress={() => setOpen('fails')} testID="fails">
              No
            </BigButton>
          ) : null}
          <BigButton flex={2} onPress={confirm} keyHint="N" testID="confirm-step">
            {word[step.kind] ?? 'Done'}
          </BigButton>
        </>
      }
      more={
        view.canSkip ? (
          <WordButton onPress={() => setOpen('skip')}>not here: leave it out</WordButton>
        ) : null
      }
    >
      {step.does ? <LineDiagram next={step.does} /> : null}
      <SkipSheet step={step} isOpen={open === 'skip'} onClose={() => setOpen(undefined)} />
      <BottomSheet
        isOpen={open === 'fails'}
        title="Out of service?"
        onClose={() => setOpen(undefined)}
      >
        <Words>{`${fill(fails ?? '')}. The work ends here: what was moved goes back, and the sheet says why.`}</Words>
        <BigButton kind="stop" onPress={condemn} testID="condemn">
          Take it out of service
        </BigButton>
      </BottomSheet>
    </StepFrame>
  );
}

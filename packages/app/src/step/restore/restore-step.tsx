import { openEndsOf, type StepOf } from '@holvek/core';
import { useState } from 'react';
import { OpenEndsList } from '../parts/open-ends-list';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';

/** Everything back as it was, said one by one. */
export function RestoreStep({ step }: { readonly step: StepOf<'restore'> }) {
  const { add, run } = useDesk();
  const [isAdding, setAdding] = useState(false);
  const [text, setText] = useState('');
  const open = openEndsOf(run).length;
  const addEnd = () =>
    void add({
      type: 'open_end_made',
      open_end: `own_${run.eventCount}`,
      say: text.trim(),
      put_back: `${text.trim()}: put back`,
    }).then((done) => {
      if (done) setAdding(false);
    });
  return (
    <StepFrame
      actions={
        <BigButton
          flex={1}
          disabled={open > 0}
          onPress={() => void add({ type: 'step_done', step_id: step.id })}
          testID="confirm-step"
        >
          {open > 0 ? `${open} to put back` : 'All is back'}
        </BigButton>
      }
      more={<WordButton onPress={() => setAdding(true)}>something else was moved</WordButton>}
    >
      <OpenEndsList canClose />
      <BottomSheet isOpen={isAdding} title="What else was moved?" onClose={() => setAdding(false)}>
        <Field label="What" value={text} onChangeText={setText} maxLength={200} />
        <BigButton disabled={text.trim().length < 3} onPress={addEnd}>
          Add it
        </BigButton>
      </BottomSheet>
    </StepFrame>
  );
}

import type { Step } from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';

/** A step is left out only with a reason, and the reason stands on the sheet. */
export function SkipSheet({
  step,
  isOpen,
  onClose,
}: {
  readonly step: Step;
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const { add } = useDesk();
  const [reason, setReason] = useState('');
  const leaveOut = () => {
    void add({ type: 'step_skipped', step_id: step.id, reason: reason.trim() }).then(
      (done) => done && onClose(),
    );
  };
  return (
    <BottomSheet isOpen={isOpen} title="Leave this step out" onClose={onClose}>
      <Words>It shows on the sheet with your reason.</Words>
      <Field label="Reason" value={reason} onChangeText={setReason} maxLength={400} />
      <BigButton kind="stop" onPress={leaveOut} disabled={reason.trim().length < 3}>
        Leave it out
      </BigButton>
    </BottomSheet>
  );
}

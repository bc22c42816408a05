import { endReasons, endWord, type EarlyEnd, type EndReason } from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { Choice, Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';

type End = EarlyEnd | 'out_of_service';

const ends: readonly { readonly value: End; readonly say: string }[] = [
  { value: 'could_not_be_set', say: 'Could not be set' },
  { value: 'left_as_found', say: 'Left as found' },
  { value: 'out_of_service', say: 'Out of service' },
  { value: 'given_up', say: 'Given up for now' },
];
const after: Readonly<Record<End, string>> = {
  could_not_be_set: 'What was measured goes on the sheet; the valve counts as not in order.',
  left_as_found: 'Only for a screw that was not turned, or was turned back to where it stood.',
  out_of_service: 'The valve is not to be used until somebody has set it again.',
  given_up: 'The valve counts as not in order until somebody comes again.',
};
const reasons = endReasons.map((value) => ({ value, say: endWord[value] }));

/** Something is wrong: how the work ends here, and why. Everything goes back, and a sheet is filed. */
export function EndEarly({ onEnded }: { readonly onEnded: () => void }) {
  const { add, view } = useDesk();
  const [end, setEnd] = useState<End>('could_not_be_set');
  const [why, setWhy] = useState<EndReason>('hunts');
  const [reason, setReason] = useState('');
  const stepId = view.step?.id;
  if (stepId === undefined) return null;
  const finish = () => {
    const words = { step_id: stepId, reason: reason.trim() };
    const entry =
      end === 'out_of_service'
        ? ({ type: 'condemned', ...words } as const)
        : ({ type: 'ended', outcome: end, why, ...words } as const);
    void add(entry).then((done) => done && onEnded());
  };
  return (
    <>
      <Choice label="It ends as" value={end} onChange={setEnd} options={ends} />
      <Words color="$muted">{after[end]}</Words>
      {end === 'out_of_service' ? null : (
        <Choice label="Because" value={why} onChange={setWhy} options={reasons} />
      )}
      <Field
        label="What is wrong, in your words"
        value={reason}
        onChangeText={setReason}
        maxLength={400}
      />
      <BigButton
        kind="stop"
        disabled={reason.trim().length < 3}
        onPress={finish}
        testID="end-early"
      >
        End here, put everything back
      </BigButton>
    </>
  );
}

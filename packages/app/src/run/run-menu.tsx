import { useState } from 'react';
import { useDesk } from './use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

type Props = {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly onGivenUp: () => void;
};

/** A note, a faster rehearsal, or giving the run up. */
export function RunMenu({ isOpen, onClose, onGivenUp }: Props) {
  const { add, run, isLinked, hurry } = useDesk();
  const [note, setNote] = useState('');
  const [reason, setReason] = useState('');
  const [speed, setSpeed] = useState(1);
  const keep = () =>
    void add({ type: 'note', text: note.trim() }).then((done) => {
      if (!done) return;
      setNote('');
      onClose();
    });
  const giveUp = () =>
    void add({ type: 'abandoned', reason: reason.trim() }).then((done) => done && onGivenUp());
  const faster = (factor: number) => {
    setSpeed(factor);
    hurry(factor);
  };
  return (
    <BottomSheet isOpen={isOpen} title="This run" onClose={onClose}>
      <Field label="Note for the sheet" value={note} onChangeText={setNote} maxLength={2000} />
      <BigButton kind="outline" disabled={note.trim() === ''} onPress={keep}>
        Keep the note
      </BigButton>
      {run.notes.map(({ text, atMs }) => (
        <Muted key={atMs}>{text}</Muted>
      ))}
      {isLinked ? (
        <BigButton kind="brass" onPress={() => faster(speed === 1 ? 10 : 1)}>
          {speed === 1 ? 'Run the simulated valve ten times faster' : 'Back to real time'}
        </BigButton>
      ) : null}
      <Words color="$muted">
        Giving up keeps everything that was recorded, and the open ends stay to be put back.
      </Words>
      <Field label="Why give up?" value={reason} onChangeText={setReason} maxLength={400} />
      <BigButton kind="stop" disabled={reason.trim().length < 3} onPress={giveUp}>
        Give this run up
      </BigButton>
    </BottomSheet>
  );
}

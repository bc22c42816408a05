import { useState } from 'react';
import { EndEarly } from './end-early';
import { useDesk } from './use-desk';
import { LinkGaugeSheet } from '@/gauge-link/link-gauge-sheet';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Muted } from '@/ui/words';

type Props = {
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

/** A note, a faster rehearsal, or an honest end where something is wrong. */
export function RunMenu({ isOpen, onClose }: Props) {
  const { add, run, view, isLinked, hurry } = useDesk();
  const [isLinking, setLinking] = useState(false);
  const [isEnding, setEnding] = useState(false);
  const [note, setNote] = useState('');
  const [speed, setSpeed] = useState(1);
  const keep = () =>
    void add({ type: 'note', text: note.trim() }).then((done) => {
      if (!done) return;
      setNote('');
      onClose();
    });
  const faster = (factor: number) => {
    setSpeed(factor);
    hurry(factor);
  };
  // Once it has ended, only putting back and signing are left.
  const canEnd = run.ended === undefined && run.condemned === undefined && view.step !== undefined;
  const close = () => {
    setEnding(false);
    onClose();
  };
  if (isLinking)
    return (
      <LinkGaugeSheet
        isOpen={isOpen}
        onClose={() => {
          setLinking(false);
          onClose();
        }}
      />
    );
  if (isEnding)
    return (
      <BottomSheet isOpen={isOpen} title="Something is wrong" onClose={close}>
        <EndEarly onEnded={close} />
      </BottomSheet>
    );
  return (
    <BottomSheet isOpen={isOpen} title="This run" onClose={close}>
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
      ) : (
        <BigButton kind="outline" onPress={() => setLinking(true)}>
          Link a gauge by its line
        </BigButton>
      )}
      {canEnd ? (
        <BigButton kind="stop" onPress={() => setEnding(true)} testID="something-wrong">
          Something is wrong: end here
        </BigButton>
      ) : null}
    </BottomSheet>
  );
}

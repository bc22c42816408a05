import { useState } from 'react';
import { EndEarly } from '@/step/parts/end-early';
import { CorrectPlate } from './correct-plate';
import { HandOver } from './hand-over';
import { PictureHere } from './picture-here';
import { SwapGauge } from './swap-gauge';
import { useDesk } from '@/desk/use-desk';
import { LinkGaugeSheet } from '@/step/parts/link-gauge-sheet';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Muted } from '@/ui/words';

type Props = {
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

const pages = {
  wrong: 'Something is wrong',
  swap: 'Another gauge',
  give: 'Hand it over',
  plate: 'The plate says otherwise',
  picture: 'A picture for the sheet',
} as const;
type Page = keyof typeof pages | 'link';

/** A note, another gauge or hand, a faster rehearsal, or an honest end where something is wrong. */
export function RunMenu({ isOpen, onClose }: Props) {
  const [page, setPage] = useState<Page>();
  const close = () => {
    setPage(undefined);
    onClose();
  };
  if (page === 'link') return <LinkGaugeSheet isOpen={isOpen} onClose={close} />;
  return (
    <BottomSheet isOpen={isOpen} title={page ? pages[page] : 'This run'} onClose={close}>
      {page === 'wrong' ? <EndEarly onEnded={close} /> : null}
      {page === 'swap' ? <SwapGauge onDone={close} /> : null}
      {page === 'plate' ? <CorrectPlate onDone={close} /> : null}
      {page === 'picture' ? <PictureHere onDone={close} /> : null}
      {page === 'give' ? <HandOver onDone={close} /> : null}
      {page === undefined ? <FirstPage onTurn={setPage} onDone={close} /> : null}
    </BottomSheet>
  );
}

type FirstPageProps = {
  readonly onTurn: (page: Page) => void;
  readonly onDone: () => void;
};

function FirstPage({ onTurn, onDone }: FirstPageProps) {
  const { run, view, isLinked, hurry } = useDesk();
  const [speed, setSpeed] = useState(1);
  const faster = (factor: number) => {
    setSpeed(factor);
    hurry(factor);
  };
  // Once it has ended, only putting back and signing are left.
  const canEnd = run.ended === undefined && run.condemned === undefined && view.step !== undefined;
  return (
    <>
      <NoteField onKept={onDone} />
      {isLinked ? (
        <BigButton kind="brass" onPress={() => faster(speed === 1 ? 10 : 1)}>
          {speed === 1 ? 'Run the simulated valve ten times faster' : 'Back to real time'}
        </BigButton>
      ) : (
        <>
          <BigButton kind="outline" onPress={() => onTurn('link')}>
            Link a gauge by its line
          </BigButton>
          <BigButton kind="outline" onPress={() => onTurn('picture')}>
            A picture for the sheet
          </BigButton>
          <BigButton kind="outline" onPress={() => onTurn('swap')}>
            Another gauge
          </BigButton>
          <BigButton kind="outline" onPress={() => onTurn('give')}>
            Hand it over
          </BigButton>
        </>
      )}
      <BigButton kind="outline" onPress={() => onTurn('plate')}>
        The plate says otherwise
      </BigButton>
      {canEnd ? (
        <BigButton kind="stop" onPress={() => onTurn('wrong')} testID="something-wrong">
          Something is wrong: end here
        </BigButton>
      ) : null}
    </>
  );
}

/** Words for the sheet, and those that are kept already. */
function NoteField({ onKept }: { readonly onKept: () => void }) {
  const { add, run } = useDesk();
  const [note, setNote] = useState('');
  const keep = () =>
    void add({ type: 'note', text: note.trim() }).then((done) => {
      if (!done) return;
      setNote('');
      onKept();
    });
  return (
    <>
      <Field label="Note for the sheet" value={note} onChangeText={setNote} maxLength={2000} />
      <BigButton kind="outline" disabled={note.trim() === ''} onPress={keep}>
        Keep the note
      </BigButton>
      {run.notes.map(({ text, atMs }) => (
        <Muted key={atMs}>{text}</Muted>
      ))}
    </>
  );
}

import type { HouseAction, Imported } from '@holvek/core';
import { useState } from 'react';
import { isIdle, WhatItDoes, type RowsOf } from './what-it-does';
import { Refusal } from '@/data/api';
import { Allowed } from '@/people/allowed';
import { BottomSheet } from '@/ui/bottom-sheet';
import { pickText } from '@/ui/files';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

type Props = {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly title: string;
  /** What its rows are. */
  readonly what: RowsOf;
  /** What whoever reads one in has to be allowed. */
  readonly action: HouseAction;
  /** How such a file is written. */
  readonly say: string;
  readonly takeSay: string;
  readonly leaveSay: string;
  readonly onSave: () => void;
  /** What a file would change. @throws Refusal where it is none */
  readonly look: (csv: string) => Promise<Imported>;
  /** Takes it, and says what it has changed. */
  readonly take: (csv: string) => Promise<Imported>;
};

/** A file that was read: what it would do, or has done. */
type Read = { readonly csv: string; readonly imported: Imported; readonly isTaken: boolean };

const troubleOf = (error: unknown): string =>
  error instanceof Refusal
    ? refusalWords(error.code)
    : 'The server cannot be reached. Not everything was changed: read the file once more.';

/** Rows of the house as CSV, out and in: first it is shown what a file would change, then it is taken. */
export function TableFiles(props: Props) {
  const { isOpen, onClose, title, what, action, say, onSave } = props;
  const [read, setRead] = useState<Read>();
  const [trouble, setTrouble] = useState<string>();
  const [isBusy, setBusy] = useState(false);
  const go = async (csv: string, way: Props['look'], isTaken: boolean) => {
    setTrouble(undefined);
    setBusy(true);
    await way(csv)
      .then((imported) => setRead({ csv, imported, isTaken }))
      .catch((error: unknown) => setTrouble(troubleOf(error)))
      .finally(() => setBusy(false));
  };
  const look = async () => {
    const csv = await pickText('.csv,text/csv');
    if (csv === undefined) return;
    setRead(undefined);
    await go(csv, props.look, false);
  };
  const idle = read !== undefined && isIdle(read.imported);
  return (
    <BottomSheet isOpen={isOpen} title={title} onClose={onClose}>
      <BigButton kind="outline" onPress={onSave}>
        Save as CSV
      </BigButton>
      <Allowed action={action} what="To read a file in">
        <BigButton kind="outline" onPress={() => void look()}>
          Read a CSV
        </BigButton>
      </Allowed>
      <Muted>{say}</Muted>
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      {read ? <WhatItDoes imported={read.imported} isTaken={read.isTaken} what={what} /> : null}
      {read && !read.isTaken ? (
        <>
          <BigButton disabled={isBusy || idle} onPress={() => void go(read.csv, props.take, true)}>
            {idle ? 'Nothing to take' : props.takeSay}
          </BigButton>
          <WordButton onPress={() => setRead(undefined)}>{props.leaveSay}</WordButton>
        </>
      ) : null}
    </BottomSheet>
  );
}

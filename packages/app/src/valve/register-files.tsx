import type { Imported } from '@holvek/core';
import { useState } from 'react';
import { api, Refusal } from '@/data/api';
import { useImportValves } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { BottomSheet } from '@/ui/bottom-sheet';
import { pickText } from '@/ui/files';
import { BigButton, WordButton } from '@/ui/press';
import { isIdle, WhatItDoes } from './what-it-does';
import { Muted, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

/** A file that was read: what it would do to the register, or has done. */
type Read = { readonly csv: string; readonly imported: Imported; readonly isTaken: boolean };

const troubleOf = (error: unknown): string =>
  error instanceof Refusal
    ? refusalWords(error.code)
    : 'The server cannot be reached. Nothing was changed.';

/** The register as CSV, out and in: first it is shown what a file would change, then it is taken. */
export function RegisterFiles({
  isOpen,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const change = useImportValves();
  const [read, setRead] = useState<Read>();
  const [trouble, setTrouble] = useState<string>();
  const look = async () => {
    const csv = await pickText('.csv,text/csv');
    if (csv === undefined) return;
    setRead(undefined);
    setTrouble(undefined);
    await api.previewValves(csv).then(
      (imported) => setRead({ csv, imported, isTaken: false }),
      (error: unknown) => setTrouble(troubleOf(error)),
    );
  };
  const take = (csv: string) =>
    change.mutate(csv, {
      onSuccess: (imported) => setRead({ csv, imported, isTaken: true }),
      onError: (error) => setTrouble(troubleOf(error)),
    });
  return (
    <BottomSheet isOpen={isOpen} title="Register as a file" onClose={onClose}>
      <BigButton kind="outline" onPress={() => window.location.assign('/api/valves.csv')}>
        Save as CSV
      </BigButton>
      <Allowed action="import" what="To read a file in">
        <BigButton kind="outline" onPress={() => void look()}>
          Read a CSV
        </BigButton>
      </Allowed>
      <Muted>
        A row a valve, a column for each fact of its plate, the unit in its header. Points or commas
        for decimals, commas or semicolons between columns. What has no column stays as it is; an
        empty cell takes away what need not be said.
      </Muted>
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      {read ? <WhatItDoes {...read} what="valves" /> : null}
      {read && !read.isTaken ? (
        <>
          <BigButton
            disabled={change.isPending || isIdle(read.imported)}
            onPress={() => take(read.csv)}
          >
            {isIdle(read.imported) ? 'Nothing to take' : 'Take it into the register'}
          </BigButton>
          <WordButton onPress={() => setRead(undefined)}>leave the register as it is</WordButton>
        </>
      ) : null}
    </BottomSheet>
  );
}

import { useState } from 'react';
import { showConflict } from '@/data/conflicts';
import type { KeptChange } from '@/data/kept-changes';
import type { RefusedEntry } from '@/data/device-db';
import { keptChanges, outbox, shelf, useKeptChanges, useOutbox, useShelf } from '@/data/store';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Spoken, Strong, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

/** What has still to reach the server, and what it would not take. Nothing shows when all is well. */
export function SyncPill() {
  const outboxState = useOutbox();
  const { refused, isReachable } = outboxState;
  const changes = useKeptChanges();
  const [isOpen, setOpen] = useState(false);
  const notTaken = changes.filter((change) => change.refused !== undefined);
  const queued = outboxState.queued + changes.length - notTaken.length;
  const no = refused.length + notTaken.length;
  if (queued === 0 && no === 0 && isReachable) return null;
  const say =
    no > 0 ? `${no} not taken` : isReachable ? `sending ${queued}` : `offline · ${queued} queued`;
  return (
    <>
      <Press onPress={() => setOpen(true)} minHeight={44} justifyContent="center">
        <Spoken>Sync:</Spoken>
        <Pill tone={no > 0 ? 'stop' : 'quiet'}>{say}</Pill>
      </Press>
      <BottomSheet isOpen={isOpen} title="On this phone" onClose={() => setOpen(false)}>
        <Words>{`${queued} entries wait to be sent. They are safe on this phone and go by themselves when there is a network.`}</Words>
        {notTaken.map((change) => (
          <NotTaken key={change.key} change={change} />
        ))}
        {refused.map((entry) => (
          <RefusedHere key={entry.id} entry={entry} />
        ))}
        <BigButton kind="outline" onPress={() => void outbox.flush()}>
          Try now
        </BigButton>
      </BottomSheet>
    </>
  );
}

/** An entry that the server would not take: why, and the ways on. A signature can be made anew. */
function RefusedHere({ entry: { id, runId, code } }: { readonly entry: RefusedEntry }) {
  const events = useShelf().get(runId)?.events ?? [];
  const isSignature = events.some((event) => event.id === id && event.type === 'signed');
  const takeBack = () => void shelf.takeBack(runId, id).then(() => outbox.letGo(id));
  return (
    <Card tone="stop">
      <Strong color="$onVermilionSoft">{refusalWords(code)}</Strong>
      <Words color="$onVermilionSoft">
        It is kept on this phone and was not added to the record.
      </Words>
      <WordButton onPress={() => void outbox.sendAgain(runId)}>
        The cause is mended: send its run again
      </WordButton>
      {isSignature ? (
        <WordButton onPress={takeBack}>Take the signature back, and sign anew</WordButton>
      ) : (
        <WordButton onPress={() => void outbox.letGo(id)}>Seen, let it go</WordButton>
      )}
    </Card>
  );
}

/** A change to the register that the server would not take: why, and the ways on. */
function NotTaken({ change }: { readonly change: KeptChange }) {
  const { key, list, value, theirs, refused = '' } = change;
  const { tag, name } = value as { readonly tag?: string; readonly name?: string };
  const compare = () =>
    showConflict({
      kind: list,
      mine: value,
      theirs,
      putMine: () => keptChanges.sendOver(change),
    });
  return (
    <Card tone="stop">
      <Strong color="$onVermilionSoft">{`${tag ?? name ?? list}: ${refusalWords(refused)}`}</Strong>
      <Words color="$onVermilionSoft">It is kept on this phone and is not in the register.</Words>
      {refused === 'document.changed' ? (
        <WordButton onPress={compare}>Compare both and choose</WordButton>
      ) : null}
      <WordButton onPress={() => void keptChanges.letGo(key)}>Seen, let it go</WordButton>
    </Card>
  );
}

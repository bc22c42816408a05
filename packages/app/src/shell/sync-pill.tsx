import { useState } from 'react';
import { outbox, useOutbox } from '@/data/store';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

/** What has still to reach the server, and what it would not take. Nothing shows when all is well. */
export function SyncPill() {
  const { queued, refused, isReachable } = useOutbox();
  const [isOpen, setOpen] = useState(false);
  if (queued === 0 && refused.length === 0 && isReachable) return null;
  const say =
    refused.length > 0
      ? `${refused.length} not taken`
      : isReachable
        ? `sending ${queued}`
        : `offline · ${queued} queued`;
  return (
    <>
      <Press
        onPress={() => setOpen(true)}
        aria-label={`Sync: ${say}`}
        minHeight={44}
        justifyContent="center"
      >
        <Pill tone={refused.length > 0 ? 'stop' : 'quiet'}>{say}</Pill>
      </Press>
      <BottomSheet isOpen={isOpen} title="On this phone" onClose={() => setOpen(false)}>
        <Words>{`${queued} entries wait to be sent. They are safe on this phone and go by themselves when there is a network.`}</Words>
        {refused.map(({ id, runId, code }) => (
          <Card key={id} tone="stop">
            <Strong color="$onVermilionSoft">{refusalWords(code)}</Strong>
            <Words color="$onVermilionSoft">
              It is kept on this phone and was not added to the record.
            </Words>
            <WordButton onPress={() => void outbox.sendAgain(runId)}>
              The cause is mended: send its run again
            </WordButton>
            <WordButton onPress={() => void outbox.letGo(id)}>Seen, let it go</WordButton>
          </Card>
        ))}
        <BigButton kind="outline" onPress={() => void outbox.flush()}>
          Try now
        </BigButton>
      </BottomSheet>
    </>
  );
}

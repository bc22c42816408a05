import { fileTakenWords, takenFrom, takenWords, type CheckedFile } from '@holvek/core';
import { useState } from 'react';
import { YStack } from '@/ui/kit';
import { pickFile } from '@/ui/files';
import { WordButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

type Held = { readonly say: string; readonly isFound: boolean };

/** Files of loggers that a record names; one that was kept is held against it, by its bytes. */
export function HeldFile({ checked }: { readonly checked: CheckedFile }) {
  const [held, setHeld] = useState<Held>();
  const { taken } = checked;
  if (taken.length === 0) return null;
  const hold = async (file: File | undefined) => {
    if (!file) return;
    const bytes = new Uint8Array(await file.arrayBuffer());
    const found = takenFrom(bytes, checked);
    setHeld({ say: `${file.name}: ${takenWords(found)}`, isFound: found.length > 0 });
  };
  return (
    <YStack gap="$2">
      <Muted>Taken from a logger</Muted>
      {taken.map((file) => (
        <Words key={`${file.tag} ${file.shows} ${file.sha256}`}>
          {`${file.tag}, ${fileTakenWords(file)}`}
        </Words>
      ))}
      <WordButton onPress={() => void pickFile('').then(hold)}>hold a file against it</WordButton>
      {held ? (
        <Words
          role={held.isFound ? 'status' : 'alert'}
          color={held.isFound ? '$verdigrisDeep' : '$vermilion'}
          testID="held-file"
        >
          {held.say}
        </Words>
      ) : null}
    </YStack>
  );
}

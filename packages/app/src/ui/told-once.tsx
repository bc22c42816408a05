import { useState, type ReactNode } from 'react';
import { TextInput } from './text-input';
import { copyText } from './files';
import { XStack, YStack } from './kit';
import { WordButton } from './press';
import { Muted, Strong } from './words';

type Props = {
  /** Who is to have it now. */
  readonly say: string;
  readonly label: string;
  readonly path: string;
  readonly children?: ReactNode;
};

/** An address that is told this once: the house keeps only its digest. */
export function ToldOnce({ say, label, path, children }: Props) {
  const address = `${window.location.origin}${path}`;
  const [said, setSaid] = useState<string>();
  const copy = async () =>
    setSaid(
      (await copyText(address)) ? 'Copied.' : 'This browser copies nothing: mark it and copy it.',
    );
  return (
    <YStack gap="$2">
      <Strong>{say}</Strong>
      <TextInput aria-label={label} value={address} readOnly />
      <XStack gap="$2" alignItems="center">
        <WordButton onPress={() => void copy()}>copy it</WordButton>
        {said ? <Muted role="status">{said}</Muted> : null}
      </XStack>
      {children}
    </YStack>
  );
}

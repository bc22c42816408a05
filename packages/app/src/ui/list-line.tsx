import type { ReactNode } from 'react';
import { XStack, YStack } from './kit';
import { Muted, Strong } from './words';

/** A row of a list: what it is, small words under it, and what stands at its end. */
export const ListLine = ({
  say,
  under,
  right,
}: {
  readonly say: string;
  readonly under: string;
  readonly right?: ReactNode;
}) => (
  <XStack
    justifyContent="space-between"
    alignItems="center"
    gap="$2"
    minHeight={56}
    borderBottomWidth={1}
    borderColor="$line"
  >
    <YStack flexShrink={1}>
      <Strong>{say}</Strong>
      <Muted>{under}</Muted>
    </YStack>
    {right}
  </XStack>
);

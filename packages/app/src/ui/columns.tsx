import type { ReactNode } from 'react';
import { useMedia, XStack, YStack } from './kit';

/** One under the other on a phone, side by side where there is room. */
export function Columns({ left, right }: { readonly left: ReactNode; readonly right: ReactNode }) {
  const isWide = useMedia().wide;
  if (!isWide)
    return (
      <>
        {left}
        {right}
      </>
    );
  return (
    <XStack gap="$4" alignItems="flex-start">
      <YStack flex={1} minWidth={0} gap="$3">
        {left}
      </YStack>
      <YStack flex={1} minWidth={0} gap="$3">
        {right}
      </YStack>
    </XStack>
  );
}
